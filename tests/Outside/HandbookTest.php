<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use DateTimeImmutable;
use Elmstone\Core\Catalogue\MovingAverage;
use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\Margin;
use Elmstone\Core\Purchasing\LandedCost;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Core\Receivables\Terms;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Core\Settlement\CashStep;
use Elmstone\Tests\Core\CoreCase;
use PHPUnit\Framework\Attributes\DataProvider;

/** Figures a practitioner knows by heart. */
final class HandbookTest extends CoreCase
{
    /**
     * Common practice, no source: the table of mark-ups and the margins they make, printed in every buyer's handbook.
     */
    #[DataProvider('markups')]
    public function test_markup_and_margin_stand_to_each_other_as_in_the_table(string $markup, string $margin): void
    {
        $cost = self::usd('100.00');
        $made = Margin::of(
            $cost->plus(Money::round($cost->major()->multipliedBy($markup)->withPointMovedLeft(2), $cost->currency)),
            $cost,
        );
        self::assertSame([$markup, $margin], [(string) $made->markup(), (string) $made->percent()]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function markups(): iterable
    {
        foreach (
            [
                '11.11' => '10.00',
                '25.00' => '20.00',
                '33.33' => '25.00',
                '50.00' => '33.33',
                '66.67' => '40.00',
                '100.00' => '50.00',
                '300.00' => '75.00',
            ] as $markup => $margin
        ) {
            yield "{$markup} %" => [$markup, $margin];
        }
    }

    /**
     * Common practice, no source: the price of leaving a settlement discount, as the handbooks print it, the year
     * having 360 days. 2/10 net 30 is 36.7 % a year.
     */
    #[DataProvider('discounts')]
    public function test_what_leaving_a_settlement_discount_costs_a_year(
        string $percent,
        int $within,
        int $net,
        string $cost,
    ): void {
        self::assertSame($cost, Terms::of(TermsKind::Net, $net, Percentage::of($percent), $within)->yearlyCost());
    }

    /** @return iterable<string, array{string, int, int, string}> */
    public static function discounts(): iterable
    {
        yield '2/10 net 30' => ['2', 10, 30, '36.7'];
        yield '1/10 net 30' => ['1', 10, 30, '18.2'];
        yield '3/10 net 30' => ['3', 10, 30, '55.7'];
        yield '2/10 net 60' => ['2', 10, 60, '14.7'];
        yield '1/15 net 45' => ['1', 15, 45, '12.1'];
    }

    /**
     * Common practice, no source: the ageing schedule of the handbooks, four invoices of 31 December put into columns
     * by days past due.
     */
    public function test_the_ageing_schedule_of_the_handbooks(): void
    {
        $item = static fn (string $open, string $due): OpenItem => OpenItem::charge(
            $due,
            new DateTimeImmutable('2026-08-01'),
            new DateTimeImmutable($due),
            self::usd($open),
        );
        $ageing = Ageing::of(self::usd('0.00')->currency, new DateTimeImmutable('2026-12-31'), [
            $item('4000.00', '2027-01-15'),
            $item('2500.00', '2026-12-10'),
            $item('1200.00', '2026-11-15'),
            $item('700.00', '2026-10-20'),
            $item('300.00', '2026-09-01'),
        ]);
        self::assertSame(
            ['4000.00', '2500.00', '1200.00', '700.00', '300.00', '0.00'],
            self::written($ageing->columns),
        );
        self::assertSame('8700.00', $ageing->balance->toString());
    }

    /** Common practice, no source: "EOM" terms count from the month's end, "prox." names a day of the next month. */
    public function test_end_of_month_and_proximo_terms_as_the_handbooks_count_them(): void
    {
        $due = static fn (TermsKind $kind, int $days, string $date): string => Terms::of($kind, $days)
            ->dueOn(new DateTimeImmutable($date))
            ->format('Y-m-d');
        self::assertSame(
            ['2026-06-10', '2026-06-10', '2026-07-15', '2026-06-24'],
            [
                $due(TermsKind::AfterMonthEnd, 10, '2026-05-02'),
                $due(TermsKind::AfterMonthEnd, 10, '2026-05-31'),
                $due(TermsKind::DayOfNextMonth, 15, '2026-06-30'),
                $due(TermsKind::Net, 30, '2026-05-25'),
            ],
        );
    }

    /**
     * Cash rounding to five cents as the mints of the countries that gave up their small coins explain it: 1 and 2 go
     * down, 3 and 4 up to 5, 6 and 7 down to 5, 8 and 9 up (from memory).
     */
    public function test_cash_rounds_to_five_cents_as_the_mints_explain_it(): void
    {
        $step = CashStep::of(self::usd('0.05'));
        $rounded = array_map(
            static fn (int $cent): string => $step->nearest(self::usd("1.0{$cent}"))->toString(),
            range(0, 9),
        );
        self::assertSame(['1.00', '1.00', '1.00', '1.05', '1.05', '1.05', '1.05', '1.05', '1.10', '1.10'], $rounded);
    }

    /**
     * Common practice, no source: the pocket-calculator way divides, rounds, and is a cent or two off; a schedule is
     * not.
     */
    #[DataProvider('divisions')]
    public function test_the_cents_a_pocket_calculator_loses_are_all_there(
        string $sum,
        int $count,
        string $calculator,
    ): void {
        $schedule = Schedule::of(self::usd($sum), $count, new DateTimeImmutable('2027-01-15'), Rhythm::Month);
        self::assertSame(
            $sum,
            Money::sum(
                array_map(static fn (Instalment $one): Money => $one->amount, $schedule->instalments),
                self::usd($sum)->currency,
            )->toString(),
        );
        self::assertNotSame($sum, self::usd(bcmul($calculator, (string) $count, 2))->toString());
    }

    /** @return iterable<array{string, int, string}> */
    public static function divisions(): iterable
    {
        yield ['100.00', 3, '33.33'];
        yield ['250.00', 12, '20.83'];
        yield ['999.99', 7, '142.86'];
        yield ['1000.00', 6, '166.67'];
    }

    /**
     * OpenStax, Principles of Accounting, Volume 1, chapter 10.3, perpetual inventory at average cost (from memory):
     * 150 on hand at 21, 120 sold, 225 bought at 27, 180 sold, 210 bought at 33; the last average is 31.24 a unit, 285
     * units are worth 8,902, and 7,253 is what was sold.
     */
    public function test_the_moving_average_is_the_one_of_the_textbook(): void
    {
        [$onHand, $cost] = [BigDecimal::of('150'), UnitPrice::of('21')];
        [$sold, $bought] = [BigDecimal::zero(), $cost->value->multipliedBy($onHand)];

        foreach ([['120', '225', '27'], ['180', '210', '33']] as [$out, $in, $price]) {
            $sold = $sold->plus($cost->value->multipliedBy($out));
            $onHand = $onHand->minus($out);
            $amount = BigDecimal::of($in)->multipliedBy($price);
            $cost = MovingAverage::of($onHand, $cost, BigDecimal::of($in), $amount);
            $onHand = $onHand->plus($in);
            $bought = $bought->plus($amount);
        }

        $whole = static fn (BigDecimal $figure): string => (string) $figure->toScale(0, RoundingMode::HALF_UP);
        self::assertSame('31.24', (string) $cost->value->toScale(2, RoundingMode::HALF_UP));
        self::assertSame(
            ['285', '8902', '7253'],
            [(string) $onHand, $whole($onHand->multipliedBy($cost->value)), $whole($sold)],
        );
        self::assertSame('16155', $whole($bought));
    }

    /**
     * The freight of a delivery lands on what was bought in the ratio of what each cost. Common practice, no source:
     * 300 for bringing goods of 2,000 and 4,000, ten and forty of them.
     */
    public function test_freight_in_is_part_of_what_goods_cost(): void
    {
        [$ten, $forty] = LandedCost::shares(self::usd('300'), [self::usd('2000'), self::usd('4000')]);
        self::assertSame(['210', '105'], [
            $ten->perUnit(Quantity::of('10'))->toString(),
            $forty->perUnit(Quantity::of('40'))->toString(),
        ]);
    }

    /** ISO 8601: the last days of February, in a common year, a leap year, and the century years 2000 and 2100. */
    #[DataProvider('februaries')]
    public function test_the_thirty_first_finds_the_end_of_february(string $first, string $second): void
    {
        self::assertSame($second, Rhythm::Month->after(new DateTimeImmutable($first), 1)->format('Y-m-d'));
    }

    /** @return iterable<array{string, string}> */
    public static function februaries(): iterable
    {
        yield ['2027-01-31', '2027-02-28'];
        yield ['2028-01-31', '2028-02-29'];
        yield ['2000-01-30', '2000-02-29'];
        yield ['2100-01-30', '2100-02-28'];
        yield ['2027-12-31', '2028-01-31'];
    }
}
