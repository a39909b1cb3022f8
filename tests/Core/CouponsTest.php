<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Coupon;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxTerms;

final class CouponsTest extends CoreCase
{
    /** @param  list<Coupon>  $coupons */
    private static function reckoned(
        array $coupons,
        ?Reduction $discount = null,
        bool $mayDiscount = true,
    ): ReckonedSlip {
        $lines = [
            SlipLine::of(
                'tile',
                Direction::Out,
                Quantity::of('3'),
                UnitPrice::of('12.50'),
                discount: Reduction::percent('10'),
            ),
            SlipLine::of('grout', Direction::Out, Quantity::of('1'), UnitPrice::of('10'), mayDiscount: $mayDiscount),
        ];

        return Reckoner::reckon(
            Slip::of(
                Currency::of('USD'),
                TaxTerms::pricesWithoutTax(TaxRounding::PerDocument),
                TaxProfile::of(self::tax('state', '5.75')),
                $lines,
                $discount,
                null,
                $coupons,
            ),
        );
    }

    /** @return list<string> */
    private static function perLine(ReckonedSlip $slip): array
    {
        return self::written(array_map(static fn (ReckonedLine $line): Money => $line->coupons, $slip->lines));
    }

    public function test_a_coupon_comes_off_between_line_discount_and_slip_discount(): void
    {
        $slip = self::reckoned([new Coupon('TEN', Reduction::percent('10'))], Reduction::percent('50'));
        self::assertSame(
            ['3.38', '1.00'],
            self::perLine($slip),
            '10 % of 43.75 is 4.38, shared out by 33.75 and 10.00',
        );
        self::assertSame(
            ['43.75', '4.38', '19.69', '19.68'],
            self::written([$slip->subtotal, $slip->couponTotal(), $slip->slipDiscount, $slip->net]),
        );
    }

    public function test_each_takes_of_what_the_one_before_left(): void
    {
        $slip = self::reckoned([
            new Coupon('FIVE', Reduction::amount(self::usd('5.00')), ['grout']),
            new Coupon('TEN', Reduction::percent('10')),
        ]);
        self::assertSame(['5.00', '3.88'], self::written([$slip->coupons[0]->amount, $slip->coupons[1]->amount]));
    }

    public function test_an_amount_takes_no_more_than_there_is(): void
    {
        $slip = self::reckoned([new Coupon('BIG', Reduction::amount(self::usd('80.00')))], Reduction::percent('100'));
        self::assertSame(
            ['43.75', '0.00', '0.00'],
            self::written([$slip->couponTotal(), $slip->slipDiscount, $slip->total]),
        );
    }

    public function test_it_does_not_reach_what_is_never_discounted_nor_what_it_is_not_for(): void
    {
        self::assertSame(
            ['10.00', '0.00'],
            self::perLine(
                self::reckoned([new Coupon('TEN', Reduction::amount(self::usd('10.00')))], mayDiscount: false),
            ),
        );
        self::assertSame(
            'coupon_reaches_nothing',
            self::reckoned([new Coupon('TEN', Reduction::percent('10'), ['pipe'])])->coupons[0]->refused?->rule,
        );
    }

    public function test_least_spend_and_not_with_others(): void
    {
        $least = static fn (string $spend): ?string => self::reckoned([
            new Coupon('A', Reduction::percent('10'), null, self::usd($spend)),
        ])->coupons[0]->refused?->rule;
        self::assertNull($least('43.75'));
        self::assertSame('coupon_least_spend', $least('43.76'));
        $both = self::reckoned([
            new Coupon('A', Reduction::percent('10'), alone: true),
            new Coupon('B', Reduction::percent('10')),
        ]);
        self::assertSame('coupon_alone', $both->coupons[0]->refused?->rule);
        self::assertNull($both->coupons[1]->refused);
        self::assertSame('4.38', $both->couponTotal()->toString());
    }
}
