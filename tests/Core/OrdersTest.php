<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Brick\Math\BigDecimal;
use DateTimeImmutable;
use Elmstone\Core\Catalogue\MovingAverage;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Orders\Expected;
use Elmstone\Core\Orders\Freight;
use Elmstone\Core\Orders\FreightStep;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Core\Orders\Promise;
use Elmstone\Core\Orders\Supply;
use Elmstone\Core\Purchasing\LandedCost;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Supplies, freight, what can be promised, landed cost. */
final class OrdersTest extends CoreCase
{
    private static function ordered(string $quantity, string $gross): LineFigures
    {
        return new LineFigures(BigDecimal::of($quantity), self::usd($gross), self::usd('0'), self::usd('0'));
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 60) as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_any_supplies_sum_to_the_order(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $gross = $random->getInt(1, 500_000);
        $line = $random->getInt(0, $gross);
        $pieces = $random->getInt(1, 400);
        $ordered = new LineFigures(
            BigDecimal::ofUnscaledValue($pieces, 1),
            Money::ofMinor($gross, self::usd('0')->currency),
            Money::ofMinor($line, self::usd('0')->currency),
            Money::ofMinor($random->getInt(0, $gross - $line), self::usd('0')->currency),
        );
        $supply = Supply::of($ordered);
        $sum = LineFigures::none($ordered->gross->currency);

        for ($left = $pieces; $left > 0; $left -= $now) {
            $now = $random->getInt(1, $left);
            $figures = $supply->supplying(Quantity::of((string) BigDecimal::ofUnscaledValue($now, 1)));
            self::assertFalse($figures->gross->isNegative());
            $supply = $supply->after($figures);
            $sum = $sum->plus($figures);
        }

        self::assertTrue($supply->left()->isZero());
        self::assertSame($ordered->net()->toString(), $sum->net()->toString());
        self::assertSame(
            self::written([$ordered->gross, $ordered->lineDiscount, $ordered->slipDiscount]),
            self::written([$sum->gross, $sum->lineDiscount, $sum->slipDiscount]),
        );
    }

    public function test_no_more_is_supplied_than_is_left(): void
    {
        $supply = Supply::of(self::ordered('4', '10.00'));
        $some = $supply->supplying(Quantity::of('3'));
        self::assertRefused('more_than_left', static fn () => $supply->after($some)->supplying(Quantity::of('1.0001')));
        self::assertRefused('more_than_left', static fn () => $supply->after($some)->after($some));
        $all = $supply->after($some)->supplying(Quantity::of('1'));
        self::assertRefused(
            'more_than_left',
            static fn () => $supply->after($some)->after($all)->supplying(Quantity::of('1')),
        );
        self::assertRefused('nothing_ordered', static fn () => Supply::of(self::ordered('0', '1.00')));
    }

    public function test_freight_that_is_spread_goes_with_the_net_and_is_all_there_in_the_end(): void
    {
        $supply = Supply::of(self::ordered('1', '25.00'));
        $first = $supply->spread(self::usd('150.00'), self::usd('50.00'));
        self::assertSame('8.33', $first->net()->toString());
        $paid = new LineFigures(BigDecimal::zero(), $first->gross, $first->lineDiscount, $first->slipDiscount);
        $rest = Supply::of($supply->ordered, $paid)->spread(self::usd('150.00'), self::usd('150.00'));
        self::assertSame('16.67', $rest->net()->toString());
    }

    public function test_freight_by_weight_and_free_from_a_value_on(): void
    {
        $step = static fn (?string $upTo, string $charge): FreightStep => new FreightStep(
            $upTo === null ? null : BigDecimal::of($upTo),
            self::usd($charge),
        );
        $table = Freight::byWeight([$step(null, '60'), $step('50', '18'), $step('10', '7.5')], self::usd('500'));
        $charge = static fn (string $weight, string $value): string => $table
            ->of(BigDecimal::of($weight), self::usd($value))
            ->toString();
        self::assertSame(
            ['7.50', '7.50', '18.00', '60.00', '60.00', '0.00'],
            [
                $charge('0', '1'), $charge('10', '1'), $charge('10.01', '1'), $charge('50.5', '1'),
                $charge('900', '499.99'), $charge('900', '500'),
            ],
        );
        self::assertSame('12.00', Freight::flat(self::usd('12'))->of(BigDecimal::of('3'), self::usd('1'))->toString());
    }

    public function test_a_freight_table_with_a_hole_is_refused(): void
    {
        $ten = new FreightStep(BigDecimal::of('10'), self::usd('5'));
        self::assertRefused(
            'freight_hole',
            static fn () => Freight::byWeight([$ten])->of(BigDecimal::of('10.1'), self::usd('1')),
        );
        self::assertRefused('freight_hole', static fn () => Freight::byWeight([$ten, $ten]));
        self::assertRefused(
            'freight_hole',
            static fn () => Freight::byWeight([new FreightStep(BigDecimal::zero(), self::usd('5'))]),
        );
        self::assertRefused(
            'freight_hole',
            static fn () => Freight::byWeight([new FreightStep(null, self::usd('-5'))]),
        );
    }

    public function test_what_can_be_promised_by_a_day(): void
    {
        $day = static fn (string $day): DateTimeImmutable => new DateTimeImmutable($day);
        $promise = Promise::of(BigDecimal::of('10'), BigDecimal::of('4'), BigDecimal::of('3'), [
            new Expected($day('2027-03-12'), BigDecimal::of('5')),
            new Expected($day('2027-03-05'), BigDecimal::of('2')),
        ]);
        $from = $day('2027-03-01');
        self::assertSame('3', (string) $promise->on($from));
        self::assertSame('5', (string) $promise->on($day('2027-03-05')));
        self::assertSame('2027-03-01', $promise->dayFor(BigDecimal::of('3'), $from)?->format('Y-m-d'));
        self::assertSame('2027-03-12', $promise->dayFor(BigDecimal::of('5.5'), $from)?->format('Y-m-d'));
        self::assertNull($promise->dayFor(BigDecimal::of('11'), $from));
        self::assertSame(
            '2027-03-14',
            $promise->dayFor(BigDecimal::of('10'), $day('2027-03-14'))?->format('Y-m-d'),
        );
    }

    /** Those who ask one after the other, each with a day of their own, are all served by their days. */
    #[DataProvider('seeds')]
    public function test_no_piece_is_promised_twice(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $start = new DateTimeImmutable('2027-03-01');
        $expected = [];

        for ($i = $random->getInt(0, 4); $i > 0; $i--) {
            $expected[] = new Expected(
                $start->modify("+{$random->getInt(0, 20)} days"),
                BigDecimal::of($random->getInt(1, 20)),
            );
        }

        $onHand = $random->getInt(0, 20);
        $promised = [];

        for ($asks = 0; $asks < 12; $asks++) {
            $wants = $random->getInt(1, 8);
            $waiting = array_sum(array_column($promised, 0));
            $day = Promise::of(BigDecimal::of($onHand), BigDecimal::zero(), BigDecimal::of($waiting), $expected)
                ->dayFor(BigDecimal::of($wants), $start);
            $day === null || ($promised[] = [$wants, $day]);
        }

        foreach ([$start, ...array_map(static fn (Expected $one) => $one->day, $expected)] as $day) {
            $there = $onHand;
            $owed = 0;

            foreach ($expected as $one) {
                $there += $one->day <= $day ? $one->quantity->toInt() : 0;
            }

            foreach ($promised as [$wants, $by]) {
                $owed += $by <= $day ? $wants : 0;
            }

            self::assertLessThanOrEqual($there, $owed, "by {$day->format('Y-m-d')}");
        }

        self::assertLessThanOrEqual(
            $onHand + array_sum(array_map(static fn (Expected $one): int => $one->quantity->toInt(), $expected)),
            array_sum(array_column($promised, 0)),
        );
    }

    public function test_freight_in_lands_on_the_lines_by_their_amounts(): void
    {
        $landed = LandedCost::shares(self::usd('25'), [self::usd('100'), self::usd('50'), self::usd('0')]);
        self::assertSame(
            ['116.67', '58.33', '0.00'],
            self::written(array_map(static fn (LandedCost $one): Money => $one->amount, $landed)),
        );
        self::assertSame('11.667', $landed[0]->perUnit(Quantity::of('10'))->toString());
        self::assertSame('1166.7', $landed[0]->perUnit(Quantity::of('10'), 100)->toString());
        self::assertSame([], LandedCost::shares(self::usd('25'), []));
        self::assertRefused('below_zero', static fn () => LandedCost::shares(self::usd('-1'), [self::usd('1')]));
        self::assertRefused('below_zero', static fn () => LandedCost::shares(self::usd('1'), [self::usd('-1')]));
    }

    public function test_the_moving_average_of_the_rules(): void
    {
        $average = static fn (string $onHand): string => MovingAverage::of(
            BigDecimal::of($onHand),
            UnitPrice::of('4.1250'),
            BigDecimal::of('20'),
            BigDecimal::of('88'),
        )->toString();
        self::assertSame(['4.2969', '4.4', '4.4'], [$average('12'), $average('0'), $average('-3')]);
    }
}
