<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use DateTimeImmutable;
use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A flat charge, shared out in equal parts: against the pocket calculator (total, divide, round, pay so many times)
 * with the cents it loses or gains, and dates against ISO 8601 as PHP's own calendar writes it. The flat-rate way
 * (charge = principal × rate, part = (principal + charge) ÷ count) is that of the handbooks of commercial arithmetic;
 * common practice, no source.
 */
final class FlatChargeTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, int, string, int}> principal, percent, count, the calculator's
     *     part, cents it is off in the end
     */
    public static function plans(): iterable
    {
        yield 'a hundred in three parts loses a cent' => ['100.00', '0', 3, '33.33', -1];
        yield 'with three percent in six it comes out' => ['600.00', '3', 6, '103.00', 0];
        yield 'seven parts lose a cent' => ['500.00', '3', 7, '73.57', -1];
        yield 'a round sum in twelve' => ['1000.00', '5', 12, '87.50', 0];
        yield 'a year by the week comes out' => ['860.50', '4', 52, '17.21', 0];
        yield 'thirteen parts' => ['99.99', '2.5', 13, '7.88', -5];
    }

    #[DataProvider('plans')]
    public function test_the_parts_sum_to_the_cent_where_the_pocket_calculator_does_not(
        string $principal,
        string $percent,
        int $count,
        string $part,
        int $off,
    ): void {
        $sum = Money::of($principal, Currency::of('USD'));
        $total = $sum->plus($sum->percent(Percentage::of($percent)));
        $calculator = (int) bcmul(self::rounded(bcdiv($total->toString(), (string) $count, 10)), '100');
        $schedule = Schedule::of($total, $count, new DateTimeImmutable('2027-01-31'), Rhythm::Month);
        $amounts = array_map(static fn (Instalment $one): int => $one->amount->minor, $schedule->instalments);

        self::assertSame($part, bcdiv((string) $calculator, '100', 2));
        self::assertSame($off, $calculator * $count - $total->minor, 'What the pocket calculator is off.');
        self::assertSame($total->minor, array_sum($amounts));
        self::assertLessThanOrEqual(
            1,
            max(array_map(static fn (int $amount): int => abs($amount - $calculator), $amounts)),
        );
    }

    /** ISO 8601: calendar dates YYYY-MM-DD; the day of the month is kept, or the month's last day taken. */
    public function test_dates_are_iso_8601_and_never_leave_their_month(): void
    {
        foreach (['2027-01-29', '2027-01-30', '2027-01-31', '2028-02-29', '2027-12-31'] as $first) {
            foreach (
                Schedule::of(Money::of('100.00', Currency::of('USD')), 40, new DateTimeImmutable($first), Rhythm::Month)
                    ->instalments as $step => $part
            ) {
                $written = $part->due->format('Y-m-d');
                self::assertMatchesRegularExpression('/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/', $written);
                [$year, $month] = array_map(intval(...), explode('-', $first));
                $months = $year * 12 + $month - 1 + $step;
                self::assertSame(
                    [intdiv($months, 12), ($months % 12) + 1],
                    [(int) $part->due->format('Y'), (int) $part->due->format('n')],
                );
                self::assertSame(
                    min((int) substr($first, 8), self::days(intdiv($months, 12), ($months % 12) + 1)),
                    (int) $part->due->format('j'),
                );
            }
        }
    }

    public function test_weeks_are_seven_days_across_a_change_of_the_clock(): void
    {
        $dates = array_map(
            static fn (Instalment $part): string => $part->due->format('o-\WW-N'),
            Schedule::of(
                Money::of('100.00', Currency::of('USD')),
                60,
                new DateTimeImmutable('2026-12-30'),
                Rhythm::Week,
            )->instalments,
        );

        self::assertSame(['2026-W53-3', '2027-W01-3', '2027-W02-3'], array_slice($dates, 0, 3));
        self::assertCount(60, array_unique($dates));
        self::assertSame(
            ['3'],
            array_values(array_unique(array_map(static fn (string $date): string => substr($date, -1), $dates))),
        );
    }

    private static function rounded(string $amount): string
    {
        return bcadd($amount, '0.005', 2);
    }

    /** By the rule of the Gregorian calendar, without PHP's. */
    private static function days(int $year, int $month): int
    {
        return [
            31,
            $year % 4 === 0 && ($year % 100 !== 0 || $year % 400 === 0) ? 29 : 28,
            31, 30, 31, 30, 31, 31, 30, 31, 30, 31,
        ][$month - 1];
    }
}
