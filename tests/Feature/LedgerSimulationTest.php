<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ageing\AgesNow;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\FinanceCharges\ChargeForLateness;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Payments\PaymentOrder;
use Elmstone\Receivables\Payments\ReturnPayment;
use Elmstone\Receivables\Payments\SpreadCredit;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A year of an account's life by chance, day by day: charges, payments by every way of spreading them, moves, cheques
 * that bounce, finance charges. Beside it stands a model that knows nothing of the application but what was asked of it
 * and what was answered. Both must agree about every day, the past ones too.
 */
final class LedgerSimulationTest extends FeatureCase
{
    use Charges;

    private const STEPS = 45;

    private Randomizer $random;

    private Customer $customer;

    private LedgerModel $model;

    private CarbonImmutable $day;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([1, 20261101, 77] as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_the_ledger_and_a_model_of_it_agree_about_every_day(int $seed): void
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->model = new LedgerModel;
        $this->customer = $this->account('100000.00', terms: ['late' => 365, 'discount' => '2']);
        Location::query()->update(['closed_through' => '2000-01-01']);
        Shop::query()
            ->firstOrFail()
            ->update([
                'finance_percent' => '1.5',
                'finance_grace_days' => 10,
                'finance_minimum' => Money::of('1.00', Currency::of('USD')),
            ]);
        app(House::class)->shop()->refresh();
        $this->day = CarbonImmutable::parse('2026-01-05 11:00');

        for ($step = 0; $step < self::STEPS; $step++) {
            $this->travelTo($this->day);
            $this->step();
            $this->assertSameOn($this->day, "step {$step}");
            $this->day = $this->day->addDays($this->random->getInt(0, 9));
        }

        $this->assertEveryPastDay();
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    private function step(): void
    {
        match ($this->random->getInt(1, 10)) {
            1, 2, 3, 4 => $this->chargeSomething(),
            5, 6 => $this->payOldestFirst(),
            7 => $this->payByHand(),
            8 => $this->moveSomething(),
            9 => $this->bounceSomething(),
            default => $this->chargeForLateness(),
        };
    }

    private function chargeSomething(): void
    {
        $label = $this->charge(
            $this->customer,
            $this->random->getInt(1, 40).' x '.['LH-1140', 'LH-1141', 'WA-0001'][$this->random->getInt(0, 2)],
        );
        $document = Document::query()->where('label', $label)->firstOrFail();
        $this->model->charge($label, $this->today(), $this->day->addDays(30)->format('Y-m-d'), $document->total->minor);
    }

    private function payOldestFirst(): void
    {
        $amount = $this->random->getInt(100, 20000);
        $open = $this->items('charge');
        $receipt = $this->receive($amount, null);

        // What the model expects is worked out by hand: oldest due first, 2 % off where all of an untouched item is
        // paid in its first ten days.
        $left = $amount;
        $shares = [];

        foreach ($open as $item) {
            $discount = $item->open->minor === $item->amount->minor
                && $item->purpose->value === 'sale'
                && $this->day->startOfDay()->lessThanOrEqualTo($item->business_date->addDays(10))
                    ? intdiv($item->open->minor * 2 + 50, 100)
                    : 0;
            $takes = $item->open->minor - $discount <= $left;
            $part = $takes ? $item->open->minor : min($left, $item->open->minor);
            $left -= $takes ? $item->open->minor - $discount : $part;

            if ($part > 0) {
                $shares[$item->label] = [$part, $takes ? $discount : 0];
            }
        }

        $this->model->credit($receipt->label, $this->today(), $amount + array_sum(array_column($shares, 1)));

        foreach ($shares as $label => [$part]) {
            $this->model->set($receipt->label, $label, $part, $this->today());
        }
    }

    private function payByHand(): void
    {
        $open = $this->items('charge');
        $amount = $this->random->getInt(100, 9000);
        $shares = [];
        $left = $amount;

        foreach ($this->random->shuffleArray($open) as $item) {
            $part = min(
                $left,
                $this->random->getInt(0, $item->open->minor),
                max(0, $item->open->minor - intdiv($item->open->minor * 2 + 50, 100) - 1),
            );

            if ($part > 0) {
                $shares[$item->label] = $part;
                $left -= $part;
            }
        }

        $receipt = $this->receive($amount, $shares);
        $this->model->credit($receipt->label, $this->today(), $amount);

        foreach ($shares as $label => $part) {
            $this->model->set($receipt->label, $label, $part, $this->today());
        }
    }

    /** @param  array<string, int>|null  $shares */
    private function receive(int $amount, ?array $shares): Document
    {
        $id = app(TakePayment::class)->handle(
            new PaymentOrder(
                $this->customer->id,
                self::usd($amount),
                TenderKind::Cheque,
                (string) $this->random->getInt(1, PHP_INT_MAX),
                $this->day,
                (string) Str::uuid(),
                $shares === null ? null : array_map(self::usd(...), $shares),
                // Here cheques come back all the time.
                takenAllTheSame: true,
            ),
            Till::query()->with('location')->findOrFail(1),
            $this->staff('301'),
        );

        return Document::query()->findOrFail($id);
    }

    /** Takes all of a credit off what it lies on and puts it somewhere else. */
    private function moveSomething(): void
    {
        $credits = array_values(
            array_filter(
                OpenItemRecord::query()
                    ->where('customer_id', $this->customer->id)
                    ->where('purpose', 'payment')
                    ->get()
                    ->all(),
                fn (OpenItemRecord $item): bool => ! $this->model->isReturned($item->label),
            ),
        );

        if ($credits === []) {
            return;
        }

        $credit = $credits[$this->random->getInt(0, count($credits) - 1)];
        $wanted = [];
        $left = $credit->amount->minor;

        foreach ($this->model->openFor($credit->label) as $label => $open) {
            $part = $this->random->getInt(0, min($left, $open));

            if ($part > 0) {
                $wanted[$label] = $part;
                $left -= $part;
            }
        }

        app(SpreadCredit::class)->handle(
            $credit,
            array_map(self::usd(...), $wanted),
            'by chance',
            (string) Str::uuid(),
            $this->staff('301'),
            Till::query()->with('location')->findOrFail(1),
        );
        $this->model->move($credit->label, $wanted, $this->today());
    }

    private function bounceSomething(): void
    {
        $receipt = Document::query()
            ->with('tenders')
            ->where('purpose', 'payment')
            ->inRandomOrder((string) $this->random->getInt(1, 1000))
            ->first();

        if ($receipt === null) {
            return;
        }

        try {
            $id = app(ReturnPayment::class)->handle(
                $receipt,
                self::usd(2500),
                'by chance',
                $this->day,
                (string) Str::uuid(),
                Till::query()->with('location')->findOrFail(1),
                $this->staff('301'),
            );
        } catch (Refused $refused) {
            $this->assertTrue($this->model->isReturned($receipt->label), $refused->getMessage());

            return;
        }

        $this->model->bounce($receipt->label, Document::query()->findOrFail($id)->label, 2500, $this->today());
    }

    private function chargeForLateness(): void
    {
        $late = $this->model->lateness($this->day, 10);
        $expected = $late === []
                ? 0
                : max(100, array_sum(array_map(static fn (int $open): int => intdiv($open * 15 + 500, 1000), $late)));
        $posted = app(ChargeForLateness::class)->charge(
            $this->customer->id,
            $this->day,
            Till::query()->with('location')->findOrFail(1),
            $this->staff('301'),
        );

        if ($posted) {
            $document = Document::query()->where('purpose', 'finance_charge')->latest('id')->firstOrFail();
            $this->assertSame($expected, $document->total->minor);
            $this->model->charge(
                $document->label,
                $this->today(),
                $this->day->addDays(30)->format('Y-m-d'),
                $document->total->minor,
                true,
            );
        }
    }

    /** @return list<OpenItemRecord> oldest due first */
    private function items(string $kind): array
    {
        return array_values(
            OpenItemRecord::query()
                ->where('customer_id', $this->customer->id)
                ->where('kind', $kind)
                ->where('open', '>', 0)
                ->orderBy('due_date')
                ->orderBy('business_date')
                ->orderBy('label')
                ->get()
                ->all(),
        );
    }

    private function assertEveryPastDay(): void
    {
        for (
            $day = CarbonImmutable::parse('2026-01-04');
            $day->lessThanOrEqualTo($this->day);
            $day = $day->addDays(3)
        ) {
            $this->assertSameOn($day, 'looking back');
        }
    }

    private function assertSameOn(CarbonImmutable $day, string $when): void
    {
        $asOf = app(AsOf::class);
        $ageing = $asOf->ageing($this->customer->id, $day);
        $on = $day->format('Y-m-d');
        $this->assertSame(
            $this->model->ageing($day),
            array_map(static fn (Money $column): int => $column->minor, $ageing->columns),
            "{$when}, columns on {$on}",
        );
        $this->assertSame($this->model->balance($day), $ageing->balance->minor, "{$when}, balance on {$on}");
        $this->assertSame(
            $this->model->balance($day),
            $asOf->balance($this->customer->id, $day)->minor,
            "{$when}, documents up to {$on}",
        );
        $all = iterator_to_array($asOf->all($day));
        $this->assertSame(
            $ageing->balance->minor,
            ($all[$this->customer->id] ?? null)?->balance->minor ?? 0,
            "{$when}, all accounts on {$on}",
        );

        if ($day->isSameDay($this->day)) {
            $kept = new AgesNow($asOf, app(House::class), $day);
            $this->assertSame(
                array_diff($this->model->ageing($day), [0]),
                array_diff(array_map(
                    static fn (Money $column): int => $column->minor,
                    ($kept->of([$this->customer->id])[$this->customer->id] ?? null)->columns ?? [],
                ), [0]),
                "{$when}, as it is kept on {$on}",
            );
            $this->assertSame(
                $this->model->balance($day),
                (int) HouseAccount::query()->whereKey($this->customer->id)->toBase()->value('balance'),
                $when,
            );
            $this->assertSame(
                $this->model->opens(),
                DB::table('open_items')
                    ->where('customer_id', $this->customer->id)
                    ->orderBy('label')
                    ->pluck('open', 'label')
                    ->map(static fn (mixed $open): int => is_numeric($open) ? (int) $open : 0)
                    ->all(),
                $when,
            );
        }
    }

    private function today(): string
    {
        return $this->day->format('Y-m-d');
    }

    private static function usd(int $minor): Money
    {
        return Money::ofMinor($minor, Currency::of('USD'));
    }
}
