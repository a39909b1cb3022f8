<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Returns\CreditNote;
use Elmstone\Core\Returns\OriginalLine;
use Elmstone\Core\Returns\Returnable;
use Elmstone\Core\Returns\SoldLine;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxSubtotal;
use Elmstone\Core\Tax\TaxTerms;

final class CreditNoteTest extends CoreCase
{
    /** @param  list<OriginalLine|SlipLine>  $lines */
    private static function reckoned(array $lines, bool $included = false, string $rate = '10'): ReckonedSlip
    {
        $terms = $included
            ? TaxTerms::pricesWithTax(TaxRounding::PerDocument)
            : TaxTerms::pricesWithoutTax(TaxRounding::PerDocument);

        return CreditNote::reckon(
            Currency::of('USD'),
            $terms,
            $lines,
            Slip::of(Currency::of('USD'), $terms, TaxProfile::of(self::tax('state', $rate)), []),
        );
    }

    /** @param  array<string, Money>  $tax */
    private static function original(string $id, string $net, array $tax, TaxComponent ...$components): OriginalLine
    {
        $sold = Returnable::of(new SoldLine(Quantity::of('2'), self::usd($net), $tax));

        return new OriginalLine(
            SlipLine::of($id, Direction::Back, Quantity::of('1'), UnitPrice::of('99')),
            $sold->returning(Quantity::of('1')),
            array_values($components),
        );
    }

    private static function blind(string $id, string $price, Direction $direction = Direction::Back): SlipLine
    {
        return SlipLine::of($id, $direction, Quantity::of('1'), UnitPrice::of($price), mayDiscount: false);
    }

    /** @return list<list<string>> id, rate, base, amount */
    private static function taxes(ReckonedSlip $slip): array
    {
        return array_map(
            static fn (TaxSubtotal $tax): array => [
                $tax->component->id,
                $tax->component->rate->toString(),
                $tax->base->toString(),
                $tax->amount->toString(),
            ],
            $slip->tax,
        );
    }

    public function test_figures_are_signed_and_lines_are_not(): void
    {
        $note = self::reckoned([
            self::original('a', '20.00', ['state' => self::usd('2.00')], self::tax('state', '10')),
        ]);
        self::assertSame(['-10.00', '-1.00', '-11.00'], self::written([$note->net, $note->taxTotal, $note->total]));
        self::assertSame(
            ['10.00', '10.00', '11.00'],
            self::written([$note->lines[0]->gross, $note->lines[0]->net, $note->lines[0]->total]),
        );
        self::assertSame([['state', '10', '-10.00', '-1.00']], self::taxes($note));
    }

    public function test_old_and_new_rates_stand_apart_and_equal_ones_together(): void
    {
        $old = self::original('a', '20.00', ['state' => self::usd('2.00')], self::tax('state', '10'));
        self::assertSame(
            [['state', '10', '-10.00', '-1.00'], ['state', '20', '-5.00', '-1.00']],
            self::taxes(self::reckoned([$old, self::blind('b', '5')], rate: '20')),
        );
        self::assertSame(
            [['state', '10', '-15.00', '-1.50']],
            self::taxes(self::reckoned([$old, self::blind('b', '5')])),
        );
    }

    public function test_a_fee_goes_out_on_it(): void
    {
        $note = self::reckoned([
            self::original('a', '20.00', ['state' => self::usd('2.00')], self::tax('state', '10')),
            self::blind('fee', '1.50', Direction::Out),
        ]);
        self::assertSame(['-8.50', '-0.85', '-9.35'], self::written([$note->net, $note->taxTotal, $note->total]));
    }

    public function test_a_tax_on_top_of_another_has_it_in_its_base(): void
    {
        $note = self::reckoned([
            self::original(
                'a',
                '20.00',
                ['state' => self::usd('2.00'), 'city' => self::usd('0.44')],
                self::tax('state', '10'),
                self::tax('city', '2', onTopOf: ['state']),
            ),
        ]);
        self::assertSame([['state', '10', '-10.00', '-1.00'], ['city', '2', '-11.00', '-0.22']], self::taxes($note));
    }

    public function test_with_tax_in_the_price_the_total_is_the_net(): void
    {
        $note = self::reckoned(
            [
                self::original('a', '22.00', ['state' => self::usd('2.00')], self::tax('state', '10')),
                self::blind('b', '11'),
            ],
            true,
        );
        self::assertSame(['-22.00', '-2.00', '-22.00'], self::written([$note->net, $note->taxTotal, $note->total]));
        self::assertSame([['state', '10', '-20.00', '-2.00']], self::taxes($note));
    }
}
