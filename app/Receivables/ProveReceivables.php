<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Books\Check;
use Elmstone\Books\Proof;
use Elmstone\Core\Receivables\Days;
use Illuminate\Support\Facades\DB;

/**
 * Proves the receivables: every document's effect on an account is an item and a posting to the control account; what is open follows from the allocations; no
 * item is over-allocated; balances and the columns of the ageing come to the control account, today and on past days.
 */
final readonly class ProveReceivables implements Check
{
    private const PAST_DAYS = 20;

    public function __construct(private AsOf $asOf)
    {
    }

    public function prove(Proof $proof): void
    {
        $this->items($proof);
        $this->allocations($proof);
        $this->balances($proof);
        $today = CarbonImmutable::today();

        foreach ([$today, ...$this->pastDays($today)] as $day) {
            $this->day($proof, $day);
        }
    }

    private function items(Proof $proof): void
    {
        $off = DB::select(<<<'SQL'
            SELECT d.label, d.on_account, COALESCE(j.posted, 0) AS posted, COALESCE(IF(i.kind = 'charge', i.amount, -i.amount), 0) AS item
            FROM documents d
            LEFT JOIN (SELECT document_id, SUM(debit) - SUM(credit) AS posted FROM journal_lines WHERE account = ? GROUP BY document_id) j ON j.document_id = d.id
            LEFT JOIN open_items i ON i.document_id = d.id
            WHERE d.on_account <> COALESCE(j.posted, 0) OR d.on_account <> COALESCE(IF(i.kind = 'charge', i.amount, -i.amount), 0)
            SQL, [Accounts::RECEIVABLES]);

        foreach ($off as $row) {
            $proof->fault("{$row->label}: it changes the account by {$row->on_account}, the journal says {$row->posted}, the ledger {$row->item}");
        }

        $proof->checked('items on accounts equal to their journals', DB::table('open_items')->count());
    }

    private function allocations(Proof $proof): void
    {
        $off = DB::select(<<<'SQL'
            SELECT i.label, i.amount, i.`open`, COALESCE(s.settled, 0) AS settled FROM open_items i
            LEFT JOIN (
                SELECT document_id, SUM(amount) AS settled FROM (
                    SELECT charge_id AS document_id, amount FROM allocations UNION ALL SELECT credit_id, amount FROM allocations
                ) both_sides GROUP BY document_id
            ) s ON s.document_id = i.document_id
            WHERE i.amount - COALESCE(s.settled, 0) <> i.`open` OR COALESCE(s.settled, 0) > i.amount OR COALESCE(s.settled, 0) < 0
            SQL);

        foreach ($off as $row) {
            $proof->fault("{$row->label}: {$row->open} of {$row->amount} is open, but {$row->settled} is set against it");
        }

        $crossed = DB::select("SELECT a.id FROM allocations a JOIN open_items c ON c.document_id = a.credit_id JOIN open_items h ON h.document_id = a.charge_id WHERE c.customer_id <> h.customer_id OR c.kind <> 'credit' OR h.kind <> 'charge'");

        foreach ($crossed as $row) {
            $proof->fault("allocation {$row->id} is between two customers, or not between a credit and a charge");
        }

        $taken = DB::select('SELECT b.id FROM allocations b JOIN allocations a ON a.id = b.takes_back_id WHERE b.amount <> -a.amount OR b.credit_id <> a.credit_id OR b.charge_id <> a.charge_id');

        foreach ($taken as $row) {
            $proof->fault("allocation {$row->id} takes back something else than it says");
        }

        $proof->checked('allocations', DB::table('allocations')->count());
    }

    private function balances(Proof $proof): void
    {
        $off = DB::select("SELECT a.customer_id, a.balance, COALESCE(SUM(IF(i.kind = 'charge', i.`open`, -i.`open`)), 0) AS items FROM house_accounts a LEFT JOIN open_items i ON i.customer_id = a.customer_id GROUP BY a.customer_id, a.balance HAVING a.balance <> items");

        foreach ($off as $row) {
            $proof->fault("account of customer {$row->customer_id}: the balance is {$row->balance}, its items come to {$row->items}");
        }

        $proof->checked('accounts whose balance is the sum of their items', HouseAccount::query()->count());
    }

    /** The control account, the balances and the ageing's columns as of a day. */
    private function day(Proof $proof, CarbonImmutable $day): void
    {
        $control = (int) DB::table('journal_lines as l')->join('journal_entries as e', 'e.document_id', '=', 'l.document_id')->where('l.account', Accounts::RECEIVABLES)->where('e.business_date', '<=', $day->format('Y-m-d'))->sum(DB::raw('l.debit - l.credit'));
        $customers = [];

        foreach (DB::select("SELECT customer_id, SUM(IF(kind = 'charge', amount, -amount)) AS balance FROM open_items WHERE business_date <= ? GROUP BY customer_id", [$day->format('Y-m-d')]) as $row) {
            $customers[(int) $row->customer_id] = (int) $row->balance;
        }

        $proof->same('receivables on '.$day->format('Y-m-d'), 'the sum of all customers', array_sum($customers), $control);
        $aged = [];

        foreach ($this->asOf->all($day) as $customer => $ageing) {
            $aged[$customer] = $ageing->balance->minor;
        }

        foreach ($customers + array_fill_keys(array_keys($aged), 0) as $customer => $balance) {
            $proof->same("customer {$customer} on {$day->format('Y-m-d')}", 'the sum of the ageing’s columns', $aged[$customer] ?? 0, $balance);
        }

        $proof->checked('days on which customers, ageing and control account agree');
    }

    /** @return list<CarbonImmutable> */
    private function pastDays(CarbonImmutable $today): array
    {
        $first = DB::table('open_items')->min('business_date');

        if (! is_string($first)) {
            return [];
        }

        $span = max(1, Days::between(CarbonImmutable::parse($first), $today));

        return array_map(static fn (): CarbonImmutable => $today->subDays(random_int(0, $span)), range(1, self::PAST_DAYS));
    }
}
