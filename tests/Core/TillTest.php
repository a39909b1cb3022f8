<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CashUp;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Core\Till\Denominations;
use Eris\Generators;
use Eris\TestTrait;

/** A drawer from its float to its count. */
final class TillTest extends CoreCase
{
    use TestTrait;

    /** @param  array<array-key, int>  $counts by unit */
    private static function counted(array $counts, string $code = 'USD'): CashCount
    {
        $currency = Currency::of($code);

        return CashCount::of($currency, array_map(
            static fn (string $unit, int $count): CountedUnit => CountedUnit::of(Money::of($unit, $currency), $count),
            array_map(strval(...), array_keys($counts)),
            $counts,
        ));
    }

    /**
     * The cash count sheet of bookkeeping courses, from memory: float 150.00, cash sales 982.40, a refund of 24.95 and
     * petty cash of 12.50 paid out; counted 1,094.70, so 0.25 short; the float stays in.
     */
    public function test_a_worked_cash_up(): void
    {
        $counted = self::counted([
            '50' => 8, '20' => 26, '10' => 9, '5' => 11, '1' => 24, '0.25' => 17, '0.10' => 12, '0.05' => 4,
            '0.01' => 5,
        ]);
        self::assertSame('1094.70', $counted->total->toString());
        $cash = CashUp::of(self::usd('150.00'), self::usd('982.40'), self::usd('37.45'), $counted->total);
        self::assertSame(['1094.95', '-0.25'], [$cash->expected->toString(), $cash->difference->toString()]);
        self::assertSame('944.70', $cash->banked(self::usd('150.00'))->toString());
        self::assertSame('1094.70', $cash->banked(null)->toString());
    }

    public function test_what_is_counted_is_of_the_currency_once_and_no_nonsense(): void
    {
        self::assertSame(3, self::counted(['0.25' => 3, '20' => 1, '5' => 0])->count(self::usd('0.25')));
        self::assertSame(
            ['20.00', '0.25'],
            array_map(
                static fn (CountedUnit $unit): string => $unit->unit->toString(),
                self::counted(['0.25' => 3, '20' => 1, '5' => 0])->units,
            ),
        );
        self::assertRefused('bad_denomination', static fn () => self::counted(['3' => 1]));
        self::assertRefused('bad_denomination', static fn () => self::counted(['2' => 1, '0.20' => 1]));
        self::assertRefused('bad_denomination', static fn () => self::counted(['0.01' => 1], 'CAD'));
        self::assertRefused('counted_twice', static fn () => self::counted(['20' => 1, '20.00' => 1]));
        self::assertRefused('bad_count', static fn () => self::counted(['20' => -1]));
        self::assertRefused('bad_count', static fn () => self::counted(['0.01' => 1_000_000_000]));
        self::assertRefused('bad_denomination', static fn () => CountedUnit::of(self::usd('-1'), 1));
        self::assertSame('3000', self::counted(['1000' => 3], 'JPY')->total->toString());
    }

    /** ISO 4217: the currencies listed have two places, and no note or coin is finer than that. */
    public function test_the_notes_and_coins_of_each_currency(): void
    {
        foreach (['USD', 'EUR', 'GBP', 'CAD', 'AUD', 'NZD'] as $code) {
            $denominations = Denominations::of(Currency::of($code));
            self::assertNotNull($denominations);
            $minors = array_keys($denominations->all());
            $sorted = array_unique($minors);
            rsort($sorted);
            self::assertSame($sorted, $minors, "{$code}: each once, largest first");
            self::assertContains(2000, $minors);
        }

        self::assertNull(Denominations::of(Currency::of('JPY')));
    }

    public function test_what_stays_in_cannot_be_more_than_is_there(): void
    {
        $cash = CashUp::of(self::usd('100'), self::usd('0'), self::usd('0'), self::usd('99.95'));
        self::assertRefused('left_in_too_large', static fn () => $cash->banked(self::usd('100')));
        self::assertRefused('bad_amount', static fn () => $cash->banked(self::usd('-1')));
        self::assertRefused(
            'bad_amount',
            static fn () => CashUp::of(self::usd('-1'), self::usd('0'), self::usd('0'), self::usd('0')),
        );
    }

    public function test_whatever_goes_in_and_out_the_figures_meet(): void
    {
        $this->forAll(
            Generators::choose(0, 50_000),
            Generators::seq(Generators::choose(-20_000, 40_000)),
            Generators::choose(-500, 500),
            Generators::choose(0, 100),
        )->then(static function (int $float, array $moves, int $off, int $part): void {
            $cents = static fn (int $minor): Money => Money::ofMinor($minor, Currency::of('USD'));
            $in = array_sum(array_filter($moves, static fn (int $move): bool => $move > 0));
            $out = -array_sum(array_filter($moves, static fn (int $move): bool => $move < 0));
            $there = max(0, $float + $in - $out + $off);
            $cash = CashUp::of($cents($float), $cents($in), $cents($out), $cents($there));
            self::assertSame($float + array_sum($moves), $cash->expected->minor);
            self::assertSame($there, $cash->expected->plus($cash->difference)->minor);
            $left = intdiv($there * $part, 100);
            self::assertSame($there, $cash->banked($cents($left))->minor + $left);
        });
    }
}
