<?php

declare(strict_types=1);

namespace Elmstone\Receivables\FinanceCharges;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\FinanceCharge;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\DisputeItem;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Finance charges for what is late: worked out for all accounts to look at first, then posted, each account once a
 * month.
 */
final class ChargeForLateness
{
    public function __construct(
        private readonly House $house,
        private readonly AsOf $asOf,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
    ) {
    }

    /**
     * What every account would be charged with.
     *
     * @return list<LatenessRow>
     *
     * @throws Refused no_rate
     */
    public function preview(CarbonImmutable $day): array
    {
        $this->rate();
        $charged = DB::table('finance_charges')
            ->where('month', $day->format('Y-m'))
            ->pluck('document_id', 'customer_id');
        $rows = [];

        foreach (
            HouseAccount::query()
                ->with('customer')
                ->where('finance_charges', true)
                ->whereIn('customer_id', $this->late($day))
                ->orderBy('customer_id')
                ->get() as $account
        ) {
            $charge = $this->reckon($account, $day);

            if ($charge->amount->isPositive()) {
                $rows[] = new LatenessRow($account, $charge, isset($charged[$account->customer_id]));
            }
        }

        return $rows;
    }

    /**
     * @return bool whether something was charged: not twice in a month, and nothing where nothing is late any more
     *
     * @throws Refused no_rate, future_date, day_closed
     */
    public function charge(int $customer, CarbonImmutable $day, Till $till, Staff $by): bool
    {
        $this->rate();
        $till->location->assertOpenOn($day);

        $key = Uuid::uuid5(Uuid::NAMESPACE_OID, "finance-charge-{$customer}-{$day->format('Y-m')}")->toString();
        $isCharged = fn (): bool => DB::table('finance_charges')
            ->where('month', $day->format('Y-m'))
            ->where('customer_id', $customer)
            ->exists();
        $write = function (HouseAccount $account) use ($customer, $day, $till, $by, $key): bool {
            $charge = $this->reckon($account, $day);

            if (! $charge->amount->isPositive()) {
                return false;
            }

            $draft = $this->drafts->draft(
                DocumentKind::Adjustment,
                MoneyEntry::financeCharge($charge->amount),
                PostedAt::till($till, $by->id, $day),
                new Party(
                    $customer,
                    Customer::query()->findOrFail($customer)->name,
                    due: $day->setDateFrom($account->terms()->dueOn($day)),
                    terms: $account->terms()->words(),
                    balanceBefore: $account->balance,
                ),
                $key,
                note: 'On '.implode(', ', array_slice(array_keys($charge->perItem), 0, 12)),
            );
            $document = $this->books->document($draft);
            $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
            DB::table('finance_charges')->insert([
                'month' => $day->format('Y-m'),
                'customer_id' => $customer,
                'document_id' => $document,
            ]);

            return true;
        };

        return $this->books->post(
            Posting::under($key)
                ->locking(fn (): HouseAccount => $this->ledger->lock($customer))
                ->unless(static fn (): ?bool => $isCharged() ? false : null)
                ->writing($write),
        );
    }

    private function reckon(HouseAccount $account, CarbonImmutable $day): FinanceCharge
    {
        $shop = $this->house->shop();
        $disputed = DisputeItem::on($day, $account->customer_id);
        $items = $this->asOf->items($account->customer_id, $day)
            ->reject(static fn (OpenItemRecord $item): bool => isset($disputed[$item->document_id]));

        return FinanceCharge::on(
            $this->house->currency(),
            $day,
            array_values($items->map(static fn (OpenItemRecord $item): OpenItem => $item->toValue())->all()),
            $this->rate(),
            $shop->finance_grace_days,
            $shop->finance_minimum,
        );
    }

    private function rate(): Percentage
    {
        return Percentage::of(
            $this->house->shop()->finance_percent
                ?? throw Refused::because('no_rate', 'The shop has set no finance charge.'),
        );
    }

    /** @return list<int> */
    private function late(CarbonImmutable $day): array
    {
        $late = [];

        foreach ($this->asOf->all($day) as $customer => $ageing) {
            if ($ageing->late()->isPositive()) {
                $late[] = $customer;
            }
        }

        return $late;
    }
}
