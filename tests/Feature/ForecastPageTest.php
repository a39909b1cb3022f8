<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Core\Forecast\WeekForecast;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Reports\MoneyToCome;

/** What accounts will pay, from how they have paid. */
final class ForecastPageTest extends FeatureCase
{
    use Charges;

    private Customer $customer;

    private CarbonImmutable $today;

    protected function setUp(): void
    {
        parent::setUp();
        $this->today = CarbonImmutable::today();
        $this->customer = $this->account('9000.00', terms: ['late' => 365]);
    }

    /** Invoices of 103.40, each due 30 days later and paid so many days after that. */
    private function paidSoFar(int $invoices, int $daysLate): void
    {
        for ($i = 0; $i < $invoices; $i++) {
            $sold = $this->today->subDays(200 - 7 * $i);
            $this->chargeOn($sold->toDateString(), $this->customer, 'MA-0031');
            $paid = $sold->addDays(30 + $daysLate);
            $this->travelTo($paid->setTime(11, 0));
            $this->pay($this->customer, '103.40', day: $paid);
            $this->travelBack();
        }
    }

    /** @return list<string> what is expected week by week, and later */
    private function expected(?CarbonImmutable $day = null): array
    {
        $coming = app(MoneyToCome::class);
        $forecast = $day === null ? $coming->now(3) : $coming->from($day, 3);

        return array_map(static fn (Money $one): string => $one->toString(), [
            ...array_map(static fn (WeekForecast $week): Money => $week->expected, $forecast->weeks),
            $forecast->later,
        ]);
    }

    public function test_what_is_open_comes_when_its_payer_pays(): void
    {
        $this->paidSoFar(8, 10);
        // Due in two days, paid ten days after: in the second week.
        $this->chargeOn($this->today->subDays(28)->toDateString(), $this->customer, 'MA-0031');
        $this->assertSame(['0.00', '103.40', '0.00', '0.00'], $this->expected());
        $this->as('301')->get("/accounts/{$this->customer->number}")->assertSee('Pays after')->assertSee('40 days');
        $this->get('/forecast')->assertOk()
            ->assertSee($this->customer->name)->assertSee('8 paid')->assertSee('103.40');
        $csv = $this->get('/forecast/table.csv')->assertOk()->streamedContent();
        $this->assertStringContainsString('103.40', $csv);
        $this->assertStringContainsString($this->today->format('Y-m-d'), $csv);
    }

    public function test_a_day_gone_by_knows_nothing_of_what_came_after_it(): void
    {
        $this->paidSoFar(8, 10);
        $before = $this->today->subDays(100);
        $then = $this->expected($before);
        $this->chargeOn($this->today->subDays(28)->toDateString(), $this->customer, 'MA-0031');
        $this->pay($this->customer, '103.40');
        $this->assertSame($then, $this->expected($before));
    }

    public function test_it_is_tried_on_the_last_quarter(): void
    {
        $this->paidSoFar(8, 10);
        $tried = app(MoneyToCome::class)->tried($this->today);
        $this->assertCount(13, $tried);
        $this->as('301')->get('/forecast?tried=1')->assertOk()->assertSee('of 13 weeks');
    }

    public function test_what_was_promised_comes_on_its_day(): void
    {
        $this->paidSoFar(8, 10);
        $this->chargeOn($this->today->subDays(28)->toDateString(), $this->customer, 'MA-0031');
        $this->as('301')->post("/accounts/{$this->customer->number}/calls", [
            'note' => 'this week', 'promised' => '103.40', 'promised_on' => $this->today->addDays(3)->toDateString(),
        ])->assertSessionHasNoErrors();
        // Nobody's promise was tried before: it is believed.
        $this->assertSame('103.40', $this->expected()[0]);
    }

    public function test_it_is_not_for_clerks_and_says_so_when_nothing_is_open(): void
    {
        $this->assertSame(0, OpenItemRecord::query()->count());
        $this->as('301')->get('/forecast')->assertOk()->assertSee('Nothing is open on any account');
        $this->as('101')->get('/forecast')->assertForbidden();
        $this->get('/forecast/table.csv')->assertForbidden();
        $this->assertSame(['0.00', '0.00', '0.00', Money::zero(Currency::of('USD'))->toString()], $this->expected());
    }
}
