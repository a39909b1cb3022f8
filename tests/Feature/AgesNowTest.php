<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Receivables\Ageing\AgesNow;
use Elmstone\Receivables\Ageing\AgesThen;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;

/** What is kept of how late each account is, so that the page of all accounts does not sum them at every look. */
final class AgesNowTest extends FeatureCase
{
    use Charges;

    private function now(?CarbonImmutable $day = null): AgesNow
    {
        return new AgesNow(app(AsOf::class), app(House::class), $day ?? ShopTime::today());
    }

    private function assertAsSummed(?CarbonImmutable $day = null): void
    {
        $day ??= ShopTime::today();
        $then = new AgesThen(app(AsOf::class), app(House::class), $day);
        $now = $this->now($day);
        $this->assertSame($then->count(), $now->count());
        $this->assertEquals($then->total(), $now->total());

        foreach ([null, ...AgeBand::cases()] as $band) {
            $this->assertSame($then->sorted($band), $now->sorted($band));
        }

        $this->assertEquals($then->of($then->sorted(null)), $now->of($now->sorted(null)));
        $this->assertSame(
            $then->where(static fn ($ageing): bool => $ageing->late()->isPositive()),
            $now->where(static fn ($ageing): bool => $ageing->late()->isPositive()),
        );
    }

    public function test_it_says_what_the_items_come_to_on_each_day(): void
    {
        $this->assertAsSummed();
        $one = $this->account('5000.00', 'Ash Roofing', ['late' => 365]);
        $two = $this->account('5000.00', 'Birch Walls', ['late' => 365]);
        $three = $this->account('5000.00', 'Cedar Floors', ['late' => 365]);
        $this->chargeOn(now()->subDays(125)->toDateString(), $one, 'MA-0031');
        $this->chargeOn(now()->subDays(40)->toDateString(), $two, 'LH-1140');
        $this->chargeOn(now()->subDays(40)->toDateString(), $three, 'LH-1140');
        $this->assertAsSummed();
        $this->pay($two, '10.00');
        $this->pay($three, '4.24');
        $this->assertAsSummed();
        $this->assertSame([$one->id, $two->id], $this->now()->sorted(null));

        foreach ([1, 20, 21, 60, 95] as $later) {
            $this->assertAsSummed(ShopTime::today()->addDays($later));
        }

        $this->assertAsSummed();
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_only_those_that_something_came_to_are_summed_again(): void
    {
        foreach (['Ash Roofing', 'Birch Walls'] as $name) {
            $this->chargeOn(now()->subDays(40)->toDateString(), $this->account('5000.00', $name), 'LH-1140');
        }

        /** @var \ArrayObject<int, int> $summed for how many accounts, each time */
        $summed = new \ArrayObject;
        DB::listen(static function (QueryExecuted $query) use ($summed): void {
            preg_match('/then_open.*`a`.`customer_id` in \(([^)]*)\)/s', $query->sql, $found) === 1
                && $summed->append(substr_count($found[1], '?'));
        });
        $this->now();
        $this->now();
        $this->assertSame([2], $summed->getArrayCopy());
        $this->chargeOn(now()->toDateString(), $this->account('5000.00', 'Cedar Floors'), 'LH-1140');
        $this->now();
        $this->assertSame([2, 1], $summed->getArrayCopy());
    }

    public function test_what_comes_while_it_is_summed_counts_at_the_next_look(): void
    {
        $customer = $this->account('5000.00', 'Ash Roofing');
        $this->chargeOn(now()->subDays(40)->toDateString(), $customer, 'LH-1140');
        $came = false;
        DB::listen(function (QueryExecuted $query) use (&$came, $customer): void {
            if (! $came && str_contains($query->sql, 'then_open')) {
                $came = true;
                $this->pay($customer, '1.00');
            }
        });
        $this->now();
        $this->assertTrue($came);
        $this->assertAsSummed();
    }

    public function test_the_proof_finds_a_kept_sum_that_is_off(): void
    {
        $customer = $this->account('5000.00', 'Ash Roofing');
        $this->chargeOn(now()->subDays(40)->toDateString(), $customer, 'LH-1140');
        $this->now();
        DB::table('aged_accounts')->update(['to_30' => 1]);
        $this->assertStringContainsString(
            "account of customer {$customer->id}, 1-30 as of",
            implode("\n", app(Prove::class)->handle()->faults),
        );
    }
}
