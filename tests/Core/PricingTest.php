<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use DateTimeImmutable;
use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\DatedPrice;
use Elmstone\Core\Pricing\Margin;
use Elmstone\Core\Pricing\PriceBook;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Core\Pricing\PriceQuote;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Pricing\QuantityBreak;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;

final class PricingTest extends CoreCase
{
    private static function book(bool $netPrice = false): PriceBook
    {
        return new PriceBook(
            UnitPrice::of('10.00'),
            [
                new DatedPrice(
                    UnitPrice::of('9.80'),
                    new DateTimeImmutable('2027-06-01'),
                    new DateTimeImmutable('2027-06-30'),
                ),
            ],
            UnitPrice::of('9.50'),
            [
                new QuantityBreak(Quantity::of('10'), UnitPrice::of('9.00')),
                new QuantityBreak(Quantity::of('100'), UnitPrice::of('8.00')),
            ],
            [
                new DatedPrice(
                    UnitPrice::of('8.50'),
                    new DateTimeImmutable('2027-03-01'),
                    new DateTimeImmutable('2027-03-31'),
                    'March',
                ),
            ],
            Percentage::of('5'),
            $netPrice,
        );
    }

    private static function on(string $day, string $quantity, bool $netPrice = false): PriceQuote
    {
        return self::book($netPrice)->quote(Quantity::of($quantity), new DateTimeImmutable($day));
    }

    #[DataProvider('quotes')]
    public function test_which_price_wins(
        string $day,
        string $quantity,
        string $price,
        PriceRule $rule,
        bool $discounted,
    ): void {
        $quote = self::on($day, $quantity);
        self::assertSame(
            [$price, $rule, $discounted],
            [$quote->price->toString(), $quote->rule, $quote->discount !== null],
        );
        self::assertSame('10', $quote->list->toString());
    }

    /** @return iterable<string, array{string, string, string, PriceRule, bool}> */
    public static function quotes(): iterable
    {
        yield 'the price level' => ['2027-01-15', '1', '9.5', PriceRule::Level, true];
        yield 'a break just reached' => ['2027-01-15', '10', '9', PriceRule::QuantityBreak, true];
        yield 'a break just missed' => ['2027-01-15', '9.9999', '9.5', PriceRule::Level, true];
        yield 'the best break' => ['2027-01-15', '150', '8', PriceRule::QuantityBreak, true];
        yield 'a promotion on its last day' => ['2027-03-31', '10', '8.5', PriceRule::Promotion, true];
        yield 'the break below the promotion' => ['2027-03-31', '100', '8', PriceRule::QuantityBreak, true];
        yield 'a contract, though it is not the lowest, and without the standing discount' => [
            '2027-06-30',
            '150',
            '9.8',
            PriceRule::Contract,
            false,
        ];
        yield 'the contract has ended' => ['2027-07-01', '1', '9.5', PriceRule::Level, true];
    }

    public function test_a_net_price_is_not_discounted_and_a_typed_price_wins(): void
    {
        self::assertNull(self::on('2027-01-15', '1', netPrice: true)->discount);
        $typed = self::book()->typed(UnitPrice::of('7.77'));
        self::assertSame([PriceRule::Typed, '7.77', null], [$typed->rule, $typed->price->toString(), $typed->discount]);
    }

    public function test_of_equal_prices_the_plainer_rule_is_named(): void
    {
        $book = new PriceBook(
            UnitPrice::of('5.00'),
            level: UnitPrice::of('5.00'),
            promotions: [new DatedPrice(UnitPrice::of('5.00'))],
        );
        self::assertSame(
            PriceRule::ListPrice,
            $book->quote(Quantity::of('1'), new DateTimeImmutable('2027-01-01'))->rule,
        );
    }

    public function test_floor_and_cost_are_compared_with_what_is_really_taken(): void
    {
        $line = self::line('3', '10.00');
        $check = static fn (string $after): PriceCheck => PriceCheck::of(
            $line->quantity,
            $line->pricePer,
            self::usd($after),
            UnitPrice::of('8.00'),
            UnitPrice::of('6.00'),
        );
        self::assertSame(
            [PriceCheck::Fine, PriceCheck::BelowFloor, PriceCheck::BelowFloor, PriceCheck::BelowCost],
            [$check('24.00'), $check('23.99'), $check('18.00'), $check('17.99')],
        );
    }

    public function test_margin_and_markup(): void
    {
        $margin = Margin::of(self::usd('80.00'), self::usd('60.00'));
        self::assertSame(
            ['20.00', '25.00', '33.33'],
            [$margin->amount->toString(), (string) $margin->percent(), (string) $margin->markup()],
        );
        self::assertNull(Margin::of(self::usd('0.00'), self::usd('1.00'))->percent());
        self::assertNull(Margin::of(self::usd('1.00'), self::usd('0.00'))->markup());
        self::assertSame('-66.67', (string) Margin::of(self::usd('6.00'), self::usd('10.00'))->percent());
    }

    public function test_a_barcode_with_one_wrong_digit_never_passes(): void
    {
        $right = '2000400001858';
        self::assertSame('02000400001858', Gtin::of($right)->asFourteen());

        for ($place = 0; $place < strlen($right); $place++) {
            for ($add = 1; $add < 10; $add++) {
                $wrong = $right;
                $wrong[$place] = (string) (((int) $right[$place] + $add) % 10);
                self::assertRefused('bad_barcode', static fn () => Gtin::of($wrong));
            }
        }

        self::assertRefused('bad_barcode', static fn () => Gtin::of('123456789'));
    }

    public function test_a_journal_balances_or_does_not_come_about(): void
    {
        $journal = Journal::of(Currency::of('USD'), [
            ['sales', self::usd('-8.00')],
            ['cash', self::usd('10.00')],
            ['tax', self::usd('-2.00')],
            ['rounding', self::usd('0.00')],
        ]);
        self::assertSame(
            ['cash', 'sales', 'tax'],
            array_map(static fn ($line): string => $line->account, $journal->lines),
        );
        self::assertSame(['10.00', '10.00'], self::written([$journal->debits, $journal->credits]));
        $this->expectException(LogicException::class);
        Journal::of(Currency::of('USD'), [['cash', self::usd('10.00')], ['sales', self::usd('-9.99')]]);
    }
}
