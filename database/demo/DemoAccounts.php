<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceTerms;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Terms;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\RefusedWays;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Ageing\Call;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Payments\PaymentOrder;
use Elmstone\Receivables\Payments\ReturnPayment;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use LogicException;
use Ramsey\Uuid\Uuid;

/**
 * Who charges and who pays when: some early for the discount, most about when it is due, some late, one not any more.
 */
final class DemoAccounts
{
    /** Days after the due date on which each account pays, by turns; below zero: early. */
    private const LAGS = [12, 2, 0, 5, -22, 1, 9, 28, 3, 0, 17, -21, 4, 7, 52, 2];

    /** @var array<int, Customer> */
    private array $customers;

    /** @var array<int, int> kept as the ledger keeps them */
    private array $balances = [];

    /** @var array<int, PriceTerms> */
    private array $prices = [];

    /** @var array<int, HouseAccount> */
    private array $accounts;

    private int $payments = 0;

    public function __construct(
        private readonly Chance $chance,
        private readonly House $house,
        private readonly CarbonImmutable $today,
        private readonly Ledger $ledger,
        private readonly TakePayment $take,
        private readonly ReturnPayment $return,
        private readonly ManageAccount $manage,
    ) {
        $this->accounts = HouseAccount::query()->get()->keyBy('customer_id')->all();
        $this->customers = Customer::query()
            ->with(['type.priceLevel', 'contacts'])
            ->orderBy('id')
            ->get()
            ->keyBy('id')
            ->all();
        $items = Item::query()->pluck('id')->map(static fn (mixed $id): int => is_int($id) ? $id : 0)->all();

        foreach ($this->customers as $id => $customer) {
            $this->prices[$id] = $customer->priceTerms()->preload($items);
            $this->balances[$id] = 0;
        }
    }

    /** Somebody with an account; those who come more often stand first. */
    public function account(CarbonImmutable $day): HouseAccount
    {
        $accounts = array_values($this->accounts);
        $account = $accounts[
                min($this->chance->between(0, count($accounts) - 1), $this->chance->between(0, count($accounts) - 1))
            ];
        $stopped = $this->customers[$account->customer_id]->name === DemoCustomers::ON_STOP
            && $day->greaterThan($this->today->subMonths(4));
        $full = $account->credit_limit->minor * 8 < $this->balances[$account->customer_id] * 10;

        return $stopped || $full ? $accounts[$this->chance->between(6, count($accounts) - 1)] : $account;
    }

    /** Somebody with a name but no account. */
    public function passerBy(): Customer
    {
        return array_values($this->customers)[
            $this->chance->between(DemoCustomers::ACCOUNTS, count($this->customers) - 1)
        ];
    }

    public function customer(int $id): Customer
    {
        return $this->customers[$id];
    }

    public function prices(int $id): PriceTerms
    {
        return $this->prices[$id];
    }

    public function terms(HouseAccount $account): Terms
    {
        return $account->terms();
    }

    public function balance(int $customer): Money
    {
        return $this->house->money($this->balances[$customer]);
    }

    public function charged(int $customer, Money $amount): void
    {
        $this->balances[$customer] += $amount->minor;
    }

    /** @param  array<int, list<LedgerEntry>>  $entries by customer */
    public function enter(array $entries): void
    {
        $accounts = $this->ledger->lockAll(array_keys($entries));

        foreach ($entries as $customer => $its) {
            $this->ledger->enter(
                $accounts[$customer] ?? throw new LogicException("Customer {$customer} has no account."),
                $its,
            );
        }
    }

    /** What came in on this day. */
    public function payOn(CarbonImmutable $day): int
    {
        $paid = 0;
        $open = OpenItemRecord::query()
            ->where('kind', 'charge')
            ->where('open', '>', 0)
            ->where('due_date', '<=', $day->addDays(25)->format('Y-m-d'))
            ->orderBy('due_date')
            ->get()
            ->groupBy('customer_id');

        foreach ($open as $customer => $items) {
            $wanted = $items->filter(fn (OpenItemRecord $item): bool => $this->isPaidOn((int) $customer, $item, $day));

            if ($wanted->isNotEmpty()) {
                CarbonImmutable::setTestNow(ShopTime::when($day, 15, $this->chance->between(0, 59)));
                $this->pay((int) $customer, (int) $wanted->sum('open.minor'), $day);
                CarbonImmutable::setTestNow();
                $paid++;
            }
        }

        return $paid;
    }

    private function isPaidOn(int $customer, OpenItemRecord $item, CarbonImmutable $day): bool
    {
        $name = $this->customers[$customer]->name;
        $lag = self::LAGS[$customer % count(self::LAGS)];
        $gone = ($name === DemoCustomers::ON_STOP && $day->greaterThan($this->today->subMonths(5)))
            || ($name === DemoCustomers::AT_LIMIT && $day->greaterThan($this->today->subDays(70)))
            || ($name === DemoCustomers::QUILLFEATHER && $day->greaterThan($this->today->subDays(35)));

        // Paid once a week, on the account's own day.
        return ! $gone
            && $day->dayOfWeek === 1 + ($customer % 5)
            && $item->due_date->addDays($lag)->lessThanOrEqualTo($day);
    }

    private function pay(int $customer, int $wanted, CarbonImmutable $day): void
    {
        $open = (int) OpenItemRecord::query()->where('customer_id', $customer)->where('kind', 'charge')->sum('open');
        $amount = match (true) {
            $this->chance->in(7) => max(1000, intdiv($wanted * 6, 1000) * 100),
            $this->customers[$customer]->name === DemoCustomers::CREDIT_UNUSED
                && $day->greaterThan($this->today->subDays(40)) => $open + 3640,
            $this->chance->in(12) => $wanted + $this->chance->between(100, 2500),
            default => $wanted,
        };
        // Whose cheque came back pays through the bank from then on.
        $mayCheque = RefusedWays::of(Customer::query()->findOrFail($customer))->why(TenderKind::Cheque) === null;
        $kind = $this->chance->in(55) && $mayCheque ? TenderKind::Cheque : TenderKind::BankTransfer;
        $this->payments++;
        $this->take->handle(
            new PaymentOrder(
                $customer,
                $this->house->money($amount),
                $kind,
                $kind === TenderKind::Cheque
                    ? sprintf('%06d', 1200 + $this->payments)
                    : "transfer {$day->format('d.m.')} {$this->payments}",
                $day,
                Uuid::uuid5(Uuid::NAMESPACE_OID, "demo-payment-{$this->payments}")->toString(),
            ),
            $this->till(),
            $this->office(),
        );
        $this->balances[$customer] = HouseAccount::query()->findOrFail($customer)->balance->minor;
    }

    /** How the accounts with a story stand on the day of loading. */
    public function end(): void
    {
        $by = $this->office();
        $of = fn (string $name): HouseAccount => HouseAccount::query()
            ->with('customer')
            ->whereIn('customer_id', Customer::query()->where('name', $name)->select('id'))
            ->firstOrFail();
        $this->limit(
            $of(DemoCustomers::QUILLFEATHER),
            static fn (int $balance): int => max(50000, intdiv($balance + 30000, 10000) * 10000),
            'agreed for the autumn',
            $by,
        );
        $this->limit(
            $of(DemoCustomers::AT_LIMIT),
            static fn (int $balance): int => max(0, $balance),
            'kept at what is owed',
            $by,
        );
        $stopped = $of(DemoCustomers::ON_STOP);
        $this->manage->stop($stopped->customer_id, 'two reminders without an answer', $by);
        $this->calls($stopped, $by);
    }

    /** @param  callable(int): int  $limit */
    private function limit(HouseAccount $account, callable $limit, string $reason, Staff $by): void
    {
        $this->manage->save(
            $account->customer,
            new AccountTerms(
                $this->house->money($limit($account->balance->minor)),
                $account->terms_kind,
                $account->terms_days,
                $account->discount_percent?->toString(),
                $account->discount_days,
                $account->allowed_overdue_days,
                $account->customer->name === DemoCustomers::QUILLFEATHER,
                $account->statement_kind,
                $account->statement_way,
                $account->finance_charges,
            ),
            $reason,
            $by,
            null,
        );
    }

    /** On one day a cheque of the week before bounces. */
    public function bounceOn(CarbonImmutable $day): void
    {
        $ago = $this->today->subDays(9);

        if (! $day->equalTo($ago->isSunday() ? $ago->addDay() : $ago)) {
            return;
        }

        $receipt = Document::query()
            ->with('tenders')
            ->where('purpose', 'payment')
            ->where('on_account', '<', 0)
            ->whereDoesntHave('heldRows')
            ->where('business_date', '<', $day->subDays(5)->format('Y-m-d'))
            ->whereIn(
                'id',
                Document::query()
                    ->toBase()
                    ->join('document_tenders as t', 't.document_id', '=', 'documents.id')
                    ->where('t.kind', 'cheque')
                    ->select('documents.id'),
            )
            ->latest('id')
            ->first();

        if ($receipt !== null) {
            CarbonImmutable::setTestNow(ShopTime::when($day, 10, 5));
            $this->return->handle(
                $receipt,
                $this->house->money(2500),
                'account overdrawn',
                $day,
                Uuid::uuid5(Uuid::NAMESPACE_OID, 'demo-bounced')->toString(),
                $this->till(),
                Staff::query()->where('role', Role::Office)->firstOrFail(),
            );
            CarbonImmutable::setTestNow();
        }
    }

    private function calls(HouseAccount $stopped, Staff $by): void
    {
        $late = OpenItemRecord::query()
            ->where('kind', 'charge')
            ->where('open', '>', 0)
            ->where('due_date', '<', $this->today->subDays(3)->format('Y-m-d'))
            ->distinct()
            ->orderBy('customer_id')
            ->pluck('customer_id')
            ->all();
        $call = fn (int $customer, int $ago, string $note, array $more): Call => Call::query()->create([
            'customer_id' => $customer,
            'staff_id' => $by->id,
            'called_on' => $this->today->subDays($ago),
            'called_at' => $this->today->subDays($ago)->setTime(9, 40),
            'note' => $note,
            ...$more,
        ]);
        $call($stopped->customer_id, 40, 'Will pay half next week.', [
            'promised' => $this->house->money(intdiv($stopped->balance->minor, 200) * 100),
            'promised_on' => $this->today->subDays(32),
        ]);
        $others = array_values(array_diff($late, [$stopped->customer_id]));

        if (isset($others[0], $others[1])) {
            $call((int) $others[0], 5, 'Cheque is in the post.', [
                'promised_on' => $this->today->subDays(2),
                'promised' => $this->house->money(25000),
                'spoke_to' => 'the bookkeeper',
            ]);
            $call((int) $others[1], 2, 'Wants copies of two invoices; mailed them.', ['call_again_on' => $this->today]);
        }

        if (isset($others[2])) {
            $call((int) $others[2], 1, 'Pays on Friday.', ['promised_on' => $this->today->addDays(4)]);
        }
    }

    private function till(): Till
    {
        return Till::query()->with('location')->orderBy('number')->firstOrFail();
    }

    private function office(): Staff
    {
        return Staff::query()->where('role', Role::Office)->firstOrFail();
    }
}
