<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use DateTimeImmutable;
use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;

final class ScheduleTest extends CoreCase
{
    use TestTrait;

    /** @param  list<string>  $dates */
    #[DataProvider('rhythms')]
    public function test_due_dates(string $first, Rhythm $rhythm, array $dates): void
    {
        $schedule = Schedule::of(self::usd('100.00'), count($dates), new DateTimeImmutable($first), $rhythm);
        self::assertSame(
            $dates,
            array_map(
                static fn (Instalment $instalment): string => $instalment->due->format('Y-m-d'),
                $schedule->instalments,
            ),
        );
    }

    /** @return iterable<string, array{string, Rhythm, list<string>}> */
    public static function rhythms(): iterable
    {
        yield 'the 31st' => ['2027-01-31', Rhythm::Month, ['2027-01-31', '2027-02-28', '2027-03-31', '2027-04-30']];
        yield 'a leap year' => ['2027-12-30', Rhythm::Month, ['2027-12-30', '2028-01-30', '2028-02-29', '2028-03-30']];
        yield 'weeks' => ['2027-02-22', Rhythm::Week, ['2027-02-22', '2027-03-01', '2027-03-08']];
        yield 'fortnights' => ['2027-12-24', Rhythm::Fortnight, ['2027-12-24', '2028-01-07']];
    }

    public function test_instalments_sum_exactly_and_differ_by_a_cent_at_most(): void
    {
        $this->forAll(Generators::choose(0, 100_000_000), Generators::choose(1, 60))->then(static function (
            int $cents,
            int $count,
        ): void {
            $schedule = Schedule::of(
                Money::ofMinor($cents, Currency::of('USD')),
                $count,
                new DateTimeImmutable('2027-01-31'),
                Rhythm::Month,
            );
            $amounts = array_map(
                static fn (Instalment $instalment): int => $instalment->amount->minor,
                $schedule->instalments,
            );
            self::assertSame($cents, array_sum($amounts));
            self::assertLessThanOrEqual(1, max($amounts) - min($amounts));
            $falling = $amounts;
            rsort($falling);
            self::assertSame($falling, $amounts);
        });
    }

    public function test_what_cannot_be_spread_is_refused(): void
    {
        self::assertRefused(
            'bad_count',
            static fn () => Schedule::of(self::usd('1.00'), 0, new DateTimeImmutable, Rhythm::Week),
        );
        self::assertRefused(
            'bad_amount',
            static fn () => Schedule::of(self::usd('-1.00'), 2, new DateTimeImmutable, Rhythm::Week),
        );
    }
}
