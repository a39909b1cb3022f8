<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts as ChartOfAccounts;
use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\Activity;
use Elmstone\Receivables\Ageing\AgesNow;
use Elmstone\Receivables\Ageing\AgesThen;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Payments\ReturnPayment;
use Elmstone\Receivables\Payments\SpreadCredit;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Tests\Outside\AgeingByHand;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Every page agrees with every other about every day: also where something was dated before what it is set against. */
final class EveryDayTest extends FeatureCase
{
    use Charges;

    private const FIRST = '2025-10-01';

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('50000.00', terms: ['late' => 900, 'discount' => '2']);
        Location::query()->update(['closed_through' => '2000-01-01']);
    }

    public function test_a_payment_counts_from_the_day_of_the_invoice_it_was_put_on(): void
    {
        $label = $this->chargeOn('2026-11-23', $this->customer, 'MA-0031');
        $this->travelTo('2026-11-25 10:00');
        $this->pay($this->customer, '49.00', day: CarbonImmutable::parse('2026-11-22'));
        $this->assertSame([['2026-11-23']], [DB::table('allocations')->distinct()->pluck('business_date')->all()]);
        $this->assertAgree('2026-11-21', '2026-11-25');
        $this->assertSame(
            -4900,
            app(AsOf::class)->ageing($this->customer->id, CarbonImmutable::parse('2026-11-22'))->columns[
                'unused_credit'
            ]->minor,
        );
        $this->assertSame(5440, $this->open($label));
    }

    public function test_a_cheque_that_bounced_before_it_was_moved(): void
    {
        $first = $this->chargeOn('2026-11-02', $this->customer, 'MA-0031');
        $second = $this->chargeOn('2026-11-03', $this->customer, 'MA-0031');
        $this->travelTo('2026-11-20 10:00');
        $receipt = $this->pay($this->customer, '40.00', day: CarbonImmutable::parse('2026-11-05'));
        $this->move($receipt, [$second => 4000]);
        $this->travelTo('2026-11-25 10:00');
        $this->bounce($receipt, CarbonImmutable::parse('2026-11-10'));
        $this->assertAgree('2026-11-01', '2026-11-25');
        $this->assertSame([10340, 10340], [$this->open($first), $this->open($second)]);
    }

    public function test_what_was_full_until_a_move_is_met_from_the_move_on(): void
    {
        $first = $this->chargeOn('2026-11-02', $this->customer, 'LH-1140');
        $second = $this->chargeOn('2026-11-03', $this->customer, 'MA-0031');
        $this->travelTo('2026-11-20 10:00');
        $receipt = $this->pay($this->customer, '53.40', day: CarbonImmutable::parse('2026-11-05'));
        $this->move($receipt, [$second => 5000]);
        $this->travelTo('2026-11-25 10:00');
        $this->pay($this->customer, '20.00', day: CarbonImmutable::parse('2026-11-06'));
        $this->assertAgree('2026-11-01', '2026-11-25');
        $this->assertSame(0, $this->open($first));
    }

    public function test_the_table_takes_nothing_before_what_it_is_set_against(): void
    {
        $this->chargeOn('2026-11-23', $this->customer, 'MA-0031');
        $this->travelTo('2026-11-25 10:00');
        $this->pay($this->customer, '10.00');
        $this->expectExceptionMessage('An allocation counts from the later of its two documents');
        DB::statement(
            'INSERT INTO allocations (customer_id, credit_id, charge_id, amount, business_date, staff_id, act) SELECT '
                ."customer_id, credit_id, charge_id, 1, '2026-11-24', staff_id, 'x' FROM allocations LIMIT 1",
        );
    }

    public function test_fourteen_months_reckoned_again_from_the_journal_agree_on_every_day(): void
    {
        $random = new Randomizer(new Mt19937(20261125));
        $customers = [
            $this->customer,
            $this->account('50000.00', 'Harrow Lane Builders', ['late' => 900]),
            $this->account('50000.00', 'Quince & Daughters', ['late' => 900, 'days' => 7]),
        ];
        $someDay = static fn (): CarbonImmutable => CarbonImmutable::parse(self::FIRST)->addDays(
            $random->getInt(0, 419),
        );

        for ($i = 0; $i < 24; $i++) {
            $this->chargeOn(
                $someDay()->toDateString(),
                $customers[$i % 3],
                $random->getInt(1, 9).' x '.['LH-1140', 'MA-0031'][$i % 2],
            );
        }

        for ($i = 0; $i < 70; $i++) {
            $this->travelTo(CarbonImmutable::parse('2026-11-25 10:00'));
            $this->actByChance($random, $customers[$i % 3], $someDay());
        }

        $this->assertAgree(self::FIRST, '2026-11-25', ...$customers);
    }

    private function actByChance(Randomizer $random, Customer $customer, CarbonImmutable $day): void
    {
        $receipts = Document::query()
            ->where('purpose', 'payment')
            ->where('customer_id', $customer->id)
            ->where('business_date', '<=', $day)
            ->pluck('id')
            ->all();
        $receipt = $receipts === [] ? null : $receipts[$random->getInt(0, count($receipts) - 1)];
        $dice = $random->getInt(1, 8);

        try {
            match (true) {
                $receipt === null, $dice > 4 => $this->pay($customer, $random->getInt(1, 120).'.15', day: $day),
                $dice === 4 => $this->bounce($receipt, $day),
                default => $this->moveByChance($random, $receipt, $customer, $day),
            };
        } catch (Refused $refused) {
            $this->assertContains($refused->rule, ['already_returned', 'over_payment', 'over_item', 'not_a_credit']);
        }
    }

    private function moveByChance(Randomizer $random, int $receipt, Customer $customer, CarbonImmutable $day): void
    {
        $left = (int) OpenItemRecord::query()->whereKey($receipt)->toBase()->value('amount');
        $wanted = [];

        foreach (
            OpenItemRecord::query()
                ->where('customer_id', $customer->id)
                ->where('kind', 'charge')
                ->where('open', '>', 0)
                ->orderBy('document_id')
                ->get() as $item
        ) {
            $part = $random->getInt(0, min($left, $item->open->minor));
            $left -= $part;
            $part > 0 && ($wanted[$item->label] = $part);
        }

        $this->travelTo($day->setTime(11, 0));
        $this->move($receipt, $wanted);
    }

    /** @param  array<string, int>  $wanted */
    private function move(int $receipt, array $wanted): void
    {
        $money = array_map(static fn (int $minor): Money => Money::ofMinor($minor, Currency::of('USD')), $wanted);
        app(SpreadCredit::class)->handle(
            OpenItemRecord::query()->findOrFail($receipt),
            $money,
            'to the right one',
            (string) Str::uuid(),
            $this->staff('301'),
            Till::query()->with('location')->findOrFail(1),
        );
    }

    private function bounce(int $receipt, CarbonImmutable $day): void
    {
        app(ReturnPayment::class)->handle(
            Document::query()->with('tenders')->findOrFail($receipt),
            Money::zero(Currency::of('USD')),
            'no funds',
            $day,
            (string) Str::uuid(),
            Till::query()->with('location')->findOrFail(1),
            $this->staff('301'),
        );
    }

    private function assertAgree(string $first, string $last, Customer ...$customers): void
    {
        $asOf = app(AsOf::class);

        foreach (
            (new AgeingByHand(DB::connection()->getPdo(), ChartOfAccounts::RECEIVABLES))
                ->everyDay($first, $last) as $on => $byHand
        ) {
            $day = CarbonImmutable::parse($on);
            $aged = [];

            foreach ($asOf->all($day) as $customer => $ageing) {
                $aged[$customer] = [
                    ...array_map(static fn (Money $column): int => $column->minor, $ageing->columns),
                    'balance' => $ageing->balance->minor,
                ];
            }

            $this->assertSame($byHand, $aged, "the ageing on {$on}");
            $kept = new AgesNow($asOf, app(House::class), $day);
            $this->assertSame(count($byHand), $kept->count());
            $this->assertEquals(
                iterator_to_array($asOf->all($day)),
                $kept->of(array_keys($byHand)),
                "the ageing as it is kept on {$on}",
            );
            $this->assertEquals((new AgesThen($asOf, app(House::class), $day))->total(), $kept->total());

            foreach ($customers === [] ? [$this->customer] : $customers as $customer) {
                $row = app(Activity::class)->rows($customer->id, $day, most: 1)[0] ?? null;
                $this->assertSame(
                    $byHand[$customer->id]['balance'] ?? 0,
                    $row->balance->minor ?? 0,
                    "the running balance on {$on}",
                );
            }
        }

        $this->assertSame([], app(Prove::class)->handle()->faults);
    }
}
