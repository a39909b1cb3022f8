<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use DateTimeImmutable;
use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\LayawayTerms;
use Elmstone\Core\Layaway\Portion;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Rung;
use Elmstone\Core\Layaway\RungState;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use PHPUnit\Framework\Attributes\DataProvider;

final class LayawayTest extends CoreCase
{
    private static function cents(int $cents): Money
    {
        return Money::ofMinor($cents, Currency::of('USD'));
    }

    /** @return iterable<string, array{string|null, string|null, string, string}> percent, amount, of what, comes to */
    public static function portions(): iterable
    {
        yield 'the percentage where it is more' => ['20', '25.00', '300.00', '60.00'];
        yield 'the amount where it is more' => ['20', '25.00', '100.00', '25.00'];
        yield 'never more than the sum' => ['10', '25.00', '12.34', '12.34'];
        yield 'a percentage alone, half a cent away from zero' => ['10', null, '0.05', '0.01'];
        yield 'an amount alone' => [null, '7.00', '9.00', '7.00'];
        yield 'nothing at all' => [null, null, '9.00', '0.00'];
    }

    #[DataProvider('portions')]
    public function test_a_portion_is_whichever_is_more(
        ?string $percent,
        ?string $amount,
        string $sum,
        string $comesTo,
    ): void {
        self::assertSame(
            $comesTo,
            Portion::of($percent, $amount === null ? null : self::usd($amount))
                ->ofSum(self::usd($sum))
                ->toString(),
        );
    }

    public function test_a_portion_is_never_below_nothing_or_above_everything(): void
    {
        self::assertRefused('bad_percent', static fn () => Portion::of('100.01', null));
        self::assertRefused('bad_amount', static fn () => Portion::of(null, self::usd('-0.01')));
    }

    public function test_what_does_not_fit_is_refused(): void
    {
        $terms = self::terms(10, 10, 5);
        self::assertRefused(
            'over_paid',
            static fn () => LayawayStanding::of(self::usd('10.00'), $terms, [self::usd('6.00'), self::usd('4.01')]),
        );
        self::assertRefused(
            'bad_amount',
            static fn () => LayawayStanding::of(self::usd('10.00'), $terms, [self::usd('6.00'), self::usd('-0.01')]),
        );
        self::assertRefused('bad_amount', static fn () => LayawayStanding::of(self::usd('-10.00'), $terms, []));
    }

    /** Property: payments in any split complete at the same point, and the least payments always lead there. */
    public function test_payments_in_any_split_complete_at_the_same_point(): void
    {
        mt_srand(20261123);

        for ($round = 0; $round < 400; $round++) {
            $total = mt_rand(1, 500_000);
            $terms = self::terms(mt_rand(0, 100), mt_rand(1, 100), mt_rand(0, 100));
            $left = $total;
            $payments = [];

            while ($left > 0) {
                self::assertFalse(LayawayStanding::of(self::cents($total), $terms, $payments)->isPaidInFull());
                $pay = mt_rand(1, min($left, max(1, intdiv($total, 3))));
                $payments[] = self::cents($pay);
                $left -= $pay;
            }

            $split = LayawayStanding::of(self::cents($total), $terms, $payments);
            self::assertTrue($split->isPaidInFull());
            self::assertTrue($split->minPayment->isZero());
            self::assertEquals(LayawayStanding::of(self::cents($total), $terms, [self::cents($total)]), $split);
        }
    }

    public function test_paying_the_least_each_time_ends(): void
    {
        $terms = new LayawayTerms(Portion::of('10', null), Portion::of('10', self::usd('10.00')), Portion::nothing());
        $payments = [LayawayStanding::of(self::usd('843.17'), $terms, [])->minDeposit];

        for ($times = 0; $times < 100; $times++) {
            $standing = LayawayStanding::of(self::usd('843.17'), $terms, $payments);

            if ($standing->isPaidInFull()) {
                break;
            }

            $payments[] = $standing->minPayment;
        }

        self::assertSame('843.17', Money::sum($payments, Currency::of('USD'))->toString());
        self::assertSame('84.32', $payments[0]->toString());
    }

    /** Property: cancelling never pays out more than came in, nor less than came in less the fee. */
    public function test_cancelling_never_pays_out_more_than_came_in(): void
    {
        mt_srand(20261124);

        for ($round = 0; $round < 2000; $round++) {
            $total = mt_rand(0, 100_000);
            $paid = mt_rand(0, $total);
            $fee = Portion::of((string) mt_rand(0, 100), mt_rand(0, 1) === 0 ? null : self::cents(mt_rand(0, 5000)));
            $standing = LayawayStanding::of(
                self::cents($total),
                new LayawayTerms(Portion::nothing(), Portion::nothing(), $fee),
                [self::cents($paid)],
            );
            self::assertSame($paid, $standing->fee->minor + $standing->refund->minor);
            self::assertGreaterThanOrEqual(0, $standing->refund->minor);
            self::assertGreaterThanOrEqual(0, $standing->fee->minor);
            self::assertSame(min($paid, $fee->ofSum(self::cents($total))->minor), $standing->fee->minor);
        }
    }

    /**
     * Property: schedules sum exactly for every count and amount, the shares differ by a cent at most, and dates never
     * run backwards.
     */
    public function test_schedules_sum_exactly_for_every_count_and_amount(): void
    {
        mt_srand(20261125);

        foreach (range(1, 60) as $count) {
            $total = mt_rand(0, 3) === 0 ? mt_rand(0, $count) : mt_rand(1, 2_000_000);
            $rhythm = Rhythm::cases()[mt_rand(0, 2)];
            $schedule = Schedule::of(
                self::cents($total),
                $count,
                new DateTimeImmutable('2027-'.mt_rand(1, 12).'-'.mt_rand(1, 28)),
                $rhythm,
            );
            $amounts = array_map(static fn (Instalment $part): int => $part->amount->minor, $schedule->instalments);
            $dates = array_map(
                static fn (Instalment $part): string => $part->due->format('Y-m-d'),
                $schedule->instalments,
            );
            self::assertSame($total, array_sum($amounts));
            self::assertLessThanOrEqual(1, max($amounts) - min($amounts));
            self::assertSame($amounts, array_reverse(self::sorted($amounts)));
            self::assertSame($dates, self::sorted($dates));
            self::assertSame($dates, array_values(array_unique($dates)));
        }
    }

    public function test_the_31st_is_clamped_to_each_months_last_day_and_comes_back(): void
    {
        $dates = array_map(
            static fn (Instalment $part): string => $part->due->format('Y-m-d'),
            Schedule::of(self::usd('700.00'), 7, new DateTimeImmutable('2027-08-31'), Rhythm::Month)->instalments,
        );

        self::assertSame(
            ['2027-08-31', '2027-09-30', '2027-10-31', '2027-11-30', '2027-12-31', '2028-01-31', '2028-02-29'],
            $dates,
        );
    }

    public function test_payments_meet_the_oldest_rung_first(): void
    {
        $ladder = $this->ladder('45.00', '2027-02-10');

        self::assertSame(
            ['met', 'next', 'later'],
            array_map(static fn (Rung $rung): string => $rung->state->value, $ladder->rungs),
        );
        self::assertSame(
            ['33.34', '11.66', '0.00'],
            self::written(array_map(static fn (Rung $rung): Money => $rung->met, $ladder->rungs)),
        );
        self::assertTrue($ladder->rungs[1]->isPartlyMet());
        self::assertSame('21.67', $ladder->firstUnmet()?->open()->toString());
        self::assertNull($ladder->dueBy(new DateTimeImmutable('2027-02-10')));
        self::assertSame('55.00', $ladder->dueBy(new DateTimeImmutable('2027-03-31'))?->toString());
    }

    public function test_it_is_behind_once_grace_has_run_out(): void
    {
        $day = static fn (string $date): DateTimeImmutable => new DateTimeImmutable($date);

        self::assertSame(RungState::Next, $this->ladder('33.34', '2027-02-28')->rungs[1]->state);
        self::assertSame(RungState::Missed, $this->ladder('33.34', '2027-03-01')->rungs[1]->state);
        self::assertFalse($this->ladder('33.34', '2027-03-03')->isBehind($day('2027-03-03'), 3));
        self::assertTrue($this->ladder('33.34', '2027-03-04')->isBehind($day('2027-03-04'), 3));
        self::assertFalse($this->ladder('100.00', '2028-01-01')->isBehind($day('2028-01-01'), 0));
        self::assertNull($this->ladder('100.00', '2028-01-01')->firstUnmet());
    }

    private function ladder(string $paid, string $day): Ladder
    {
        return Ladder::of(
            Schedule::of(self::usd('100.00'), 3, new DateTimeImmutable('2027-01-31'), Rhythm::Month)->instalments,
            self::usd($paid),
            new DateTimeImmutable($day),
        );
    }

    private static function terms(int $deposit, int $payment, int $fee): LayawayTerms
    {
        return new LayawayTerms(
            Portion::of((string) $deposit, null),
            Portion::of((string) $payment, null),
            Portion::of((string) $fee, null),
        );
    }

    /**
     * @template T
     *
     * @param  list<T>  $values
     * @return list<T>
     */
    private static function sorted(array $values): array
    {
        sort($values);

        return $values;
    }

    /**
     * @return iterable<string, array{string|null, int|null, int, int|null}> percent, least amount, what remains, most
     *     payments
     */
    public static function remainders(): iterable
    {
        yield 'a tenth each' => ['10', null, 5340, 10];
        yield 'five at least' => [null, 500, 5340, 10];
        yield 'the larger holds' => ['20', 500, 5340, 5];
        yield 'less than the least is one payment' => [null, 500, 320, 1];
        yield 'no least, any number' => [null, null, 5340, null];
    }

    #[DataProvider('remainders')]
    public function test_no_payment_proposed_is_below_the_least(
        ?string $percent,
        ?int $amount,
        int $remaining,
        ?int $most,
    ): void {
        $terms = new LayawayTerms(
            Portion::nothing(),
            Portion::of($percent, $amount === null ? null : self::cents($amount)),
            Portion::nothing(),
        );
        self::assertSame($most, $terms->mostPayments(self::cents($remaining)));
        $least = $terms->minPayment->ofSum(self::cents($remaining));

        foreach ($most === null ? [] : [$most, max(1, $most - 1)] as $count) {
            foreach (
                Schedule::of(self::cents($remaining), $count, new DateTimeImmutable('2027-01-31'), Rhythm::Month)
                    ->instalments as $part
            ) {
                self::assertFalse($least->exceeds($part->amount));
            }
        }
    }
}
