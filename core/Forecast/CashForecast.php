<?php

declare(strict_types=1);

namespace Elmstone\Core\Forecast;

use Brick\Math\BigInteger;
use DateTimeImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What will come in week by week, from each payer's own habit. docs/rules.md, "Cash forecast".
 *
 * Expected: every open amount spread over the days on which its payer pays, given that it has not been paid yet. Low
 * and high: the 10th and the 90th of a hundred of 1,000 draws, in each of which every open amount is paid on one day.
 */
final readonly class CashForecast
{
    public const DRAWS = 1000;

    private const MOST_WEEKS = 53;

    private const DAYS = 7;

    /**
     * @param  list<WeekForecast>  $weeks
     * @param  list<PayerForecast>  $payers
     * @param  Money  $later after the last week, or nobody can say when
     */
    private function __construct(public array $weeks, public array $payers, public Money $later)
    {
    }

    /**
     * @param  list<Payer>  $payers
     * @param  int  $seed the same seed draws the same
     *
     * @throws Refused bad_weeks
     */
    public static function of(
        Currency $currency,
        DateTimeImmutable $asOf,
        int $weeks,
        array $payers,
        int $seed,
    ): self {
        if ($weeks < 1 || $weeks > self::MOST_WEEKS) {
            throw Refused::because('bad_weeks', 'A forecast is of 1 to '.self::MOST_WEEKS.' weeks.');
        }

        $house = self::house($payers);
        [$kept, $made] = self::promises($payers);
        [$found, $drawn] = [[], []];

        foreach ($payers as $payer) {
            $habit = Habit::mixed(Habit::of($payer->paid), $payer->invoices(), $house);
            $sums = array_fill(0, $weeks + 1, Money::zero($currency));

            foreach ($payer->open as $open) {
                $when = self::when($open, $asOf, $habit, $payer, $kept, $made);
                $byWeek = self::byWeek($when, $weeks);
                $parts = $open->open->apportion(self::weights($byWeek));
                $sums = array_map(static fn (Money $sum, Money $part): Money => $sum->plus($part), $sums, $parts);
                $drawn[] = [$open->open->minor, $byWeek];
            }

            $found[] = new PayerForecast(
                $payer->id, array_slice($sums, 0, $weeks), $sums[$weeks], $payer->invoices(),
            );
        }

        return new self(
            self::weeks($currency, $asOf, $weeks, $found, self::draws($drawn, $weeks, $seed)),
            $found,
            Money::sum(array_map(static fn (PayerForecast $one): Money => $one->later, $found), $currency),
        );
    }

    /** @param  list<Payer>  $payers */
    private static function house(array $payers): Habit
    {
        return Habit::of(array_merge(...array_map(static fn (Payer $payer): array => $payer->paid, $payers)))
            ?? Habit::onTheDay();
    }

    /**
     * @param  list<Payer>  $payers
     * @return array{int, int} kept and made, of all
     */
    private static function promises(array $payers): array
    {
        return [
            array_sum(array_map(static fn (Payer $payer): int => $payer->promisesKept, $payers)),
            array_sum(array_map(static fn (Payer $payer): int => $payer->promisesMade, $payers)),
        ];
    }

    /**
     * The weights of the days on which it may be paid. A promise has the part of them that promises kept before have of
     * those made: the payer's own, else all payers', else all of it.
     *
     * @return array<int, int> by days from now
     */
    private static function when(
        OpenInvoice $open,
        DateTimeImmutable $asOf,
        Habit $habit,
        Payer $payer,
        int $kept,
        int $made,
    ): array {
        $late = self::days($open->due, $asOf);
        $weights = $habit->from($late);
        $promised = $open->promised === null ? -1 : self::days($asOf, $open->promised);

        if ($promised < 0) {
            return $weights;
        }

        [$of, $all] = match (true) {
            $payer->promisesMade > 0 => [$payer->promisesKept, $payer->promisesMade],
            $made > 0 => [$kept, $made],
            default => [1, 1],
        };
        $sum = array_sum($weights);
        $mixed = array_map(static fn (int $weight): int => $weight * ($all - $of), $weights);
        $mixed[$promised] = ($mixed[$promised] ?? 0) + max(1, $sum) * $of;
        ksort($mixed);

        return $mixed;
    }

    private static function days(DateTimeImmutable $from, DateTimeImmutable $until): int
    {
        return (int) $from->diff($until)->format('%r%a');
    }

    /**
     * @param  array<int, int>  $when weights by days from now
     * @return non-empty-list<int> weights by week, at the end those of later
     */
    private static function byWeek(array $when, int $weeks): array
    {
        $sums = array_fill(0, $weeks + 1, 0);

        foreach ($when as $days => $weight) {
            $sums[min($weeks, intdiv($days, self::DAYS))] += $weight;
        }

        $later = $sums[$weeks];

        // Later than anything ever was: nobody can say when.
        return [...array_slice($sums, 0, $weeks), array_sum($sums) === 0 ? 1 : $later];
    }

    /**
     * @param  non-empty-list<int>  $byWeek
     * @return non-empty-list<BigInteger>
     */
    private static function weights(array $byWeek): array
    {
        return array_map(BigInteger::of(...), $byWeek);
    }

    /**
     * @param  list<array{int, list<int>}>  $open minor units, and the weights of weeks
     * @return list<list<int>> by week, what came in each draw, least first
     */
    private static function draws(array $open, int $weeks, int $seed): array
    {
        $dice = new Randomizer(new Mt19937($seed));
        $came = array_fill(0, $weeks, array_fill(0, self::DRAWS, 0));

        foreach ($open as [$amount, $weights]) {
            $whole = array_sum($weights);

            for ($draw = 0; $whole > 0 && $draw < self::DRAWS; $draw++) {
                $point = $dice->getInt(1, $whole);

                $week = 0;

                while ($point > $weights[$week]) {
                    $point -= $weights[$week++];
                }

                if ($week < $weeks) {
                    $came[$week][$draw] += $amount;
                }
            }
        }

        return array_map(static function (array $draws): array {
            sort($draws);

            return $draws;
        }, $came);
    }

    /**
     * @param  list<PayerForecast>  $found
     * @param  list<list<int>>  $draws
     * @return list<WeekForecast>
     */
    private static function weeks(
        Currency $currency,
        DateTimeImmutable $asOf,
        int $weeks,
        array $found,
        array $draws,
    ): array {
        $forecast = [];

        for ($week = 0; $week < $weeks; $week++) {
            $from = $asOf->modify('+'.($week * self::DAYS).' days');
            $forecast[] = new WeekForecast(
                $from,
                $from->modify('+'.(self::DAYS - 1).' days'),
                Money::sum(array_map(static fn (PayerForecast $one): Money => $one->weeks[$week], $found), $currency),
                Money::ofMinor($draws[$week][intdiv(self::DRAWS, 10) - 1], $currency),
                Money::ofMinor($draws[$week][intdiv(self::DRAWS * 9, 10) - 1], $currency),
            );
        }

        return $forecast;
    }
}
