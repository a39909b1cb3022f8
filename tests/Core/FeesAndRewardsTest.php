<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Brick\Math\BigDecimal;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\Markdown;
use Elmstone\Core\Pricing\MarkdownStep;
use Elmstone\Core\Rewards\Programme;
use Elmstone\Core\Settlement\Surcharge;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Markdown by age, card surcharge, rewards and an owner's share: at their edges, and coming back whole. */
final class FeesAndRewardsTest extends CoreCase
{
    private static function minor(int $cents): Money
    {
        return Money::ofMinor($cents, Currency::of('USD'));
    }

    private static function markdown(): Markdown
    {
        return Markdown::of([
            new MarkdownStep(30, Percentage::of('10')),
            new MarkdownStep(60, Percentage::of('25')),
            new MarkdownStep(90, Percentage::of('50')),
        ]);
    }

    /** @return iterable<string, array{int, string, int, bool}> days, price, step, held by the floor */
    public static function ages(): iterable
    {
        yield 'the day it came' => [0, '39.9950', 0, false];
        yield 'the day before a step' => [29, '39.9950', 0, false];
        yield 'the day of a step' => [30, '36.00', 1, false];
        yield 'the last day of a step' => [59, '36.00', 1, false];
        yield 'the next' => [60, '30.00', 2, false];
        yield 'held by the floor' => [90, '25.00', 3, true];
        yield 'years' => [4_000, '25.00', 3, true];
    }

    #[DataProvider('ages')]
    public function test_the_last_step_reached_holds(int $days, string $price, int $step, bool $held): void
    {
        $usd = Currency::of('USD');
        $marked = self::markdown()->at(UnitPrice::of('39.9950'), $days, UnitPrice::of('25'), $usd);
        self::assertSame(UnitPrice::of($price)->shown($usd), $marked->price->shown($usd));
        self::assertSame([$step, $held], [$marked->step, $marked->heldByFloor]);
    }

    public function test_a_price_at_the_floor_is_not_held_by_it(): void
    {
        $marked = self::markdown()->at(UnitPrice::of('50'), 90, UnitPrice::of('25.00'), Currency::of('USD'));
        self::assertSame(['25', false], [$marked->price->toString(), $marked->heldByFloor]);
    }

    public function test_prices_without_cents_are_rounded_to_whole_ones(): void
    {
        $marked = self::markdown()->at(UnitPrice::of('999'), 60, null, Currency::of('JPY'));
        self::assertSame('749', $marked->price->toString());
    }

    public function test_steps_stand_in_the_order_of_their_days(): void
    {
        $step = static fn (int $after): MarkdownStep => new MarkdownStep($after, Percentage::of('5'));
        self::assertRefused('steps_out_of_order', static fn () => Markdown::of([$step(30), $step(30)]));
        self::assertRefused('steps_out_of_order', static fn () => Markdown::of([$step(30), $step(10)]));
        self::assertRefused('bad_days', static fn () => $step(0));
        self::assertRefused(
            'bad_percent',
            static fn () => Markdown::of([new MarkdownStep(1, Percentage::of('100.0001'))]),
        );
    }

    public function test_a_surcharge_is_rounded_and_capped(): void
    {
        $rule = new Surcharge(Percentage::of('2.5'), self::usd('4.00'));
        self::assertSame('4.00', $rule->on(self::usd('200.00'))->toString());
        self::assertSame('4.00', $rule->on(self::usd('160.00'))->toString());
        self::assertSame('0.05', $rule->on(self::usd('1.80'))->toString());
        self::assertSame('0.00', $rule->on(self::usd('0'))->toString());
        self::assertSame('5.00', (new Surcharge(Percentage::of('2.5')))->on(self::usd('200.00'))->toString());
        self::assertRefused('below_zero', static fn () => $rule->on(self::usd('-1')));
        self::assertRefused('below_zero', static fn () => new Surcharge(Percentage::of('1'), self::usd('-1')));
        self::assertRefused('bad_percent', static fn () => new Surcharge(Percentage::of('101')));
    }

    public function test_a_surcharge_comes_back_whole_in_any_steps(): void
    {
        $chance = new Randomizer(new Mt19937(15));

        for ($case = 0; $case < 300; $case++) {
            $paid = $chance->getInt(1, 500_000);
            $surcharge = self::minor($chance->getInt(0, $paid));
            $refunded = $before = 0;

            while ($refunded < $paid) {
                $refunded = min($paid, $refunded + $chance->getInt(1, max(1, intdiv($paid, 3))));
                $back = Surcharge::back($surcharge, self::minor($paid), self::minor($refunded), self::minor($before));
                self::assertFalse($back->isNegative());
                $before += $back->minor;
            }

            self::assertSame($surcharge->minor, $before);
        }

        self::assertRefused(
            'more_than_paid',
            static fn () => Surcharge::back(self::usd('1'), self::usd('10'), self::usd('10.01'), self::usd('0')),
        );
    }

    public function test_points_are_whole_and_each_full_threshold_is_a_reward(): void
    {
        $programme = Programme::of('1', 200, self::usd('10.00'));
        self::assertSame(82, $programme->points(self::usd('82.99')));
        self::assertSame(-82, $programme->points(self::usd('-82.99')));
        self::assertSame(0, $programme->points(self::usd('0.99')));
        self::assertSame(205, Programme::of('2.5', 1, self::usd('1'))->points(self::usd('82.00')));

        $cases = [[199, 199, 0], [200, 0, 1], [232, 32, 1], [601, 1, 3], [-5, -5, 0], [0, 0, 0]];

        foreach ($cases as [$points, $left, $times]) {
            $earned = $programme->rewards($points);
            self::assertSame([$left, $times], [$earned->left, $earned->times]);
            self::assertTrue($earned->rewards->equals(self::usd('10.00')->times($times)));
        }
    }

    public function test_a_programme_gives_something_for_something(): void
    {
        self::assertRefused('bad_threshold', static fn () => Programme::of('1', 0, self::usd('10.00')));
        self::assertRefused('bad_reward', static fn () => Programme::of('1', 10, self::usd('0')));
        self::assertRefused('bad_points', static fn () => Programme::of('-1', 10, self::usd('1')));
    }

    public function test_a_purchase_that_comes_back_in_any_steps_takes_back_the_points_it_gave(): void
    {
        $chance = new Randomizer(new Mt19937(16));
        $programme = Programme::of('1.3', 100, self::usd('5'));

        for ($case = 0; $case < 300; $case++) {
            $eligible = $chance->getInt(1, 90_000);
            $given = $programme->points(self::minor($eligible));
            $gone = $taken = 0;

            while ($gone < $eligible) {
                $gone = min($eligible, $gone + $chance->getInt(1, max(1, intdiv($eligible, 4))));
                $back = Programme::back(
                    $given, self::minor($eligible)->major(), self::minor($gone)->major(), $taken,
                );
                self::assertGreaterThanOrEqual(0, $back);
                $taken += $back;
            }

            self::assertSame($given, $taken);
        }

        self::assertRefused(
            'more_than_left',
            static fn () => Programme::back(10, BigDecimal::of('10'), BigDecimal::of('10.01'), 0),
        );
        self::assertSame(0, Programme::back(0, BigDecimal::zero(), BigDecimal::zero(), 0));
        // 82.50 at 1 and 10.20 at 2.5 weigh 108 together: no half point is lost between them.
        $both = Programme::weigh(self::usd('82.50'), BigDecimal::one())
            ->plus(Programme::weigh(self::usd('10.20'), BigDecimal::of('2.5')));
        self::assertSame(108, Programme::whole($both));
        self::assertRefused('too_large', static fn () => Programme::whole(BigDecimal::of('1000000000001')));
    }

    public function test_an_owner_gives_back_what_they_had_in_any_steps(): void
    {
        $chance = new Randomizer(new Mt19937(17));

        for ($case = 0; $case < 300; $case++) {
            $sold = $chance->getInt(1, 40);
            $share = OwnerShare::percent((string) $chance->getInt(0, 100))->of(self::minor($chance->getInt(0, 99_999)));
            $gone = $before = 0;

            while ($gone < $sold) {
                $gone = min($sold, $gone + $chance->getInt(1, 7));
                $before += OwnerShare::back(
                    $share,
                    Quantity::of((string) $sold),
                    Quantity::of((string) $gone),
                    self::minor($before),
                )->minor;
            }

            self::assertSame($share->minor, $before);
        }

        self::assertRefused('bad_percent', static fn () => OwnerShare::percent('100.01'));
        self::assertRefused('more_than_left', static fn () => OwnerShare::back(
            self::usd('1'), Quantity::of('2'), Quantity::of('3'), self::usd('0'),
        ));
    }

    public function test_a_part_that_is_approved_bears_no_more_than_its_part(): void
    {
        $random = new Randomizer(new Mt19937(11));

        for ($i = 0; $i < 2_000; $i++) {
            [$surcharge, $asked] = [$random->getInt(0, 900), $random->getInt(1_000, 90_000)];
            $approved = $random->getInt(0, $asked);
            $part = Surcharge::partly(self::minor($surcharge), self::minor($asked), self::minor($approved))->minor;
            self::assertLessThanOrEqual($surcharge * $approved, $part * $asked);
            self::assertGreaterThan($surcharge * $approved, ($part + 1) * $asked);
        }

        self::assertSame(77, Surcharge::partly(self::minor(77), self::minor(500), self::minor(500))->minor);
        self::assertSame(77, Surcharge::partly(self::minor(77), self::minor(500), self::minor(600))->minor);
    }
}
