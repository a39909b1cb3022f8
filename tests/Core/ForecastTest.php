<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use DateTimeImmutable;
use Elmstone\Core\Forecast\CashForecast;
use Elmstone\Core\Forecast\Habit;
use Elmstone\Core\Forecast\OpenInvoice;
use Elmstone\Core\Forecast\PaidInvoice;
use Elmstone\Core\Forecast\Payer;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What will come in, from how accounts have paid. The worked figures are by hand. */
final class ForecastTest extends CoreCase
{
    private const DAY = '2027-03-01';

    /**
     * @param  array<int, string>  $amounts by days late
     * @return list<PaidInvoice>
     */
    private static function paid(array $amounts): array
    {
        return array_map(
            static fn (int $days, string $amount): PaidInvoice => new PaidInvoice($days, self::usd($amount)),
            array_keys($amounts), $amounts,
        );
    }

    private static function open(string $due, string $amount, ?string $promised = null): OpenInvoice
    {
        return new OpenInvoice(
            $due, new DateTimeImmutable($due), self::usd($amount),
            $promised === null ? null : new DateTimeImmutable($promised),
        );
    }

    private static function forecast(int $weeks, Payer ...$payers): CashForecast
    {
        return CashForecast::of(
            Currency::of('USD'), new DateTimeImmutable(self::DAY), $weeks, array_values($payers), 7,
        );
    }

    /** @return list<string> */
    private static function weeks(CashForecast $forecast): array
    {
        return self::written([...array_column($forecast->weeks, 'expected'), $forecast->later]);
    }

    public function test_an_amount_is_spread_over_the_days_on_which_its_payer_pays(): void
    {
        $paid = self::paid([0 => '300', 10 => '100']);
        $forecast = self::forecast(2, new Payer('a', $paid, [self::open('2027-03-03', '80.00')]));
        self::assertSame(['60.00', '20.00', '0.00'], self::weeks($forecast));
    }

    public function test_what_was_not_paid_yet_is_paid_on_what_is_left_of_the_habit(): void
    {
        $paid = self::paid([0 => '300', 10 => '100', 20 => '100']);
        // Due on 24 February, five days late: on the day is over, tenth and twentieth are left, half and half.
        $forecast = self::forecast(3, new Payer('a', $paid, [self::open('2027-02-24', '80.00')]));
        self::assertSame(['40.00', '0.00', '40.00', '0.00'], self::weeks($forecast));
    }

    public function test_what_is_later_than_anything_ever_was_stands_under_later(): void
    {
        $forecast = self::forecast(3, new Payer('a', self::paid([0 => '300']), [self::open('2027-01-01', '80.00')]));
        self::assertSame(['0.00', '0.00', '0.00', '80.00'], self::weeks($forecast));
        self::assertSame('0.00', $forecast->weeks[0]->high->toString());
    }

    public function test_with_few_invoices_the_houses_habit_is_mixed_in(): void
    {
        $own = Habit::of(self::paid([0 => '100', 5 => '100']));
        $house = Habit::of(self::paid([10 => '100']));
        self::assertNotNull($own);
        self::assertNotNull($house);
        self::assertSame(
            [0 => 1_000_000, 5 => 1_000_000, 10 => 6_000_000], Habit::mixed($own, 2, $house)->weights,
        );
        self::assertSame([0 => 4_000_000, 5 => 4_000_000], Habit::mixed($own, 8, $house)->weights);
        self::assertSame([10 => 8_000_000], Habit::mixed(null, 0, $house)->weights);
        self::assertNull(Habit::of([]));
    }

    public function test_where_nobody_ever_paid_everything_is_paid_on_its_day(): void
    {
        $forecast = self::forecast(2, new Payer('a', [], [self::open('2027-03-10', '80.00')]));
        self::assertSame(['0.00', '80.00', '0.00'], self::weeks($forecast));
    }

    public function test_a_promise_has_the_part_that_promises_kept_have_of_those_made(): void
    {
        $paid = self::paid([20 => '100']);
        $open = [self::open(self::DAY, '80.00', '2027-03-04')];
        self::assertSame(
            ['60.00', '0.00', '20.00', '0.00'], self::weeks(self::forecast(3, new Payer('a', $paid, $open, 3, 4))),
        );
        self::assertSame(
            ['80.00', '0.00', '0.00', '0.00'], self::weeks(self::forecast(3, new Payer('a', $paid, $open))),
        );
        // Without promises of its own, as all others kept theirs.
        $other = new Payer('b', [], [], 1, 2);
        self::assertSame(
            ['40.00', '0.00', '40.00', '0.00'], self::weeks(self::forecast(3, new Payer('a', $paid, $open), $other)),
        );
    }

    public function test_weeks_of_an_amount_come_to_it_and_a_seed_draws_the_same(): void
    {
        $dice = new Randomizer(new Mt19937(11));

        for ($case = 0; $case < 60; $case++) {
            $payers = [];
            $sum = 0;

            for ($p = $dice->getInt(1, 4); $p > 0; $p--) {
                $paid = [];
                $open = [];

                for ($i = $dice->getInt(0, 12); $i > 0; $i--) {
                    $paid[] = new PaidInvoice(
                        $dice->getInt(-10, 40), Money::ofMinor($dice->getInt(1, 99_999), Currency::of('USD')),
                    );
                }

                for ($i = $dice->getInt(0, 5); $i > 0; $i--) {
                    $minor = $dice->getInt(1, 99_999);
                    $sum += $minor;
                    $open[] = new OpenInvoice(
                        "{$i}", (new DateTimeImmutable(self::DAY))->modify($dice->getInt(-60, 60).' days'),
                        Money::ofMinor($minor, Currency::of('USD')),
                    );
                }

                $payers[] = new Payer("p{$p}", $paid, $open);
            }

            $forecast = self::forecast(6, ...$payers);
            $all = Money::sum([...array_column($forecast->weeks, 'expected'), $forecast->later], Currency::of('USD'));
            self::assertSame($sum, $all->minor, "case {$case}");
            self::assertEquals($forecast, self::forecast(6, ...$payers));

            foreach ($forecast->weeks as $week) {
                self::assertFalse($week->low->exceeds($week->high));
            }
        }
    }

    public function test_no_weeks_and_very_many_are_refused(): void
    {
        $this->assertRefused('bad_weeks', static fn () => self::forecast(0));
        $this->assertRefused('bad_weeks', static fn () => self::forecast(54));
    }
}
