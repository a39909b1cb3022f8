<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Layaways\InstalmentHabits;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayInstalment;
use Elmstone\Layaways\PaidLadder;
use Elmstone\Reports\MoneyToCome;

/** What will be paid on layaways, from how their instalments were paid. */
final class InstalmentForecastTest extends FeatureCase
{
    use Layaways;

    private CarbonImmutable $today;

    protected function setUp(): void
    {
        parent::setUp();
        $this->today = CarbonImmutable::today();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
    }

    private function payThen(Layaway $layaway, string $amount, CarbonImmutable $day): void
    {
        $this->travelTo($day->setTime(11, 0));
        $this->payOn($layaway, $amount)->assertOk();
        $this->travelBack();
    }

    /** Held so many days ago; each instalment paid so many days after its due date, until today or an earlier day. */
    private function held(int $ago, int $late, ?CarbonImmutable $until = null): Layaway
    {
        $layaway = $this->holdOn($this->today->subDays($ago)->toDateString(), '23.40', 'MA-0031');

        foreach ($layaway->instalments() as $part) {
            $paid = CarbonImmutable::parse($part->due)->addDays($late);
            $paid->lessThanOrEqualTo($until ?? $this->today)
                && $this->payThen($layaway, $part->amount->toString(), $paid);
        }

        return $this->again($layaway);
    }

    /** @return array<int, string> what is expected, by days from a day on, in weeks */
    private function expected(?CarbonImmutable $day = null): array
    {
        $coming = app(MoneyToCome::class);
        $weeks = ($day === null ? $coming->now(16) : $coming->from($day, 16))->weeks;

        return array_map(static fn ($week): string => $week->expected->toString(), $weeks);
    }

    public function test_what_is_open_comes_so_many_days_after_it_is_due_as_it_did_before(): void
    {
        $layaway = $this->held(44, 3);
        $expected = array_fill(0, 16, '0.00');

        foreach ($layaway->instalments() as $i => $part) {
            $comes = (int) $this->today->diffInDays(CarbonImmutable::parse($part->due)->addDays(3));
            $comes < 0 || $expected[intdiv($comes, 7)] = $part->amount->toString();
            self::assertSame($i < 2, $comes < 0);
        }

        $this->assertCount(4, array_filter($expected, static fn (string $sum): bool => $sum !== '0.00'));
        $this->assertSame($expected, $this->expected());
        $this->as('301')->get('/forecast')->assertOk()->assertSee('Wren Hollis, layaway')->assertSee('2 paid');
    }

    public function test_a_day_gone_by_knows_neither_what_was_paid_nor_what_was_agreed_later(): void
    {
        $then = $this->today->subDays(10);
        $layaway = $this->held(44, 3, $then->subDay());
        $this->travelTo($then->setTime(7, 0));
        $before = $this->expected();
        $this->travelTo($then->setTime(15, 0));
        $this->as('201')->post("/layaways/{$layaway->label}/extend", [
            'version' => $layaway->version,
            'first_due' => $then->addDays(30)->format('Y-m-d'),
            'expires_on' => $then->addDays(90)->format('Y-m-d'),
        ])->assertSessionHasNoErrors();
        $this->travelBack();
        $this->as('101');
        $this->payThen($layaway, '20.00', $this->today->subDays(4));

        $habits = app(InstalmentHabits::class);
        $this->assertSame($before, $this->expected($then));
        $this->assertNotSame($before, $this->expected($this->today));
        $this->assertSame('20.00', $habits->came($then, $then, $this->today)->toString());
        $this->assertSame(
            '0.00',
            $habits->came($this->today->subDays(60), $then, $this->today)->toString(),
            'It was not there then.',
        );
    }

    public function test_nothing_is_open_of_what_was_cancelled_or_paid(): void
    {
        $layaway = $this->held(16, 0);
        $this->as('201')->post("/layaways/{$layaway->label}/cancel", [
            'key' => $this->slip, 'version' => $layaway->version, 'reason' => 'no longer wanted',
            'back' => ['cash' => $layaway->held()->minus(Money::of('10', $layaway->total->currency))->toString()],
        ])->assertSessionHasNoErrors();
        $this->as('101');
        $paid = $this->hold('23.40', 'MA-0031');
        $this->payOn($paid, '80.00', leaves: false)->assertOk();
        $this->assertSame(['0.00'], array_values(array_unique($this->expected())));
    }

    public function test_what_came_back_is_open_again_from_the_last(): void
    {
        $part = static fn (int $position, string $due): LayawayInstalment => new LayawayInstalment([
            'position' => $position, 'due' => $due, 'amount' => app(\Elmstone\Shop\House::class)->money(1000),
        ]);
        $money = static fn (int $minor): Money => app(\Elmstone\Shop\House::class)->money($minor);
        $ladder = new PaidLadder([1 => $part(1, '2026-03-01'), 2 => $part(2, '2026-03-15')], $money(500));
        $open = static fn (): array => array_map(static fn (Money $left): int => $left->minor, $ladder->open());

        $this->assertSame([1 => 1000, 2 => 200], array_map(
            static fn (Money $met): int => $met->minor, $ladder->pay($money(1700)),
        ));
        $this->assertSame([2 => 800], $open());
        $this->assertSame([], $ladder->pay($money(-1300)));
        $this->assertSame([1 => 1000, 2 => 1000], $open());
        $this->assertSame([1 => 900], array_map(
            static fn (Money $met): int => $met->minor, $ladder->pay($money(1000)),
        ), 'What was paid before the schedule came back too, and is met first.');
        $this->assertSame(-2, $ladder->daysLate(1, '2026-02-27'));
    }
}
