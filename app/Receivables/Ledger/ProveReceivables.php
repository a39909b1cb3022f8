<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ageing\EveryDay;
use Illuminate\Support\Facades\DB;

/**
 * Proves the receivables: every document's effect on an account is an item and a posting to the control account; what
 * is open follows from the allocations; no item is over-allocated; balances and the columns of the ageing come to the
 * control account, on every day anything happened.
 */
final readonly class ProveReceivables implements Topic
{
    public function inWords(): string
    {
        return 'What accounts owe is what receivables say';
    }

    public function page(): string
    {
        return 'accounts';
    }

    public function prove(Proof $proof): void
    {
        $this->items($proof);
        $this->allocations($proof);
        $this->balances($proof);
        $this->lastMoved($proof);
        AllocationChain::prove($proof);
        (new EveryDay)->prove($proof);
    }

    private function items(Proof $proof): void
    {
        $off = DB::select(
            <<<'SQL'
            SELECT d.label, d.on_account, COALESCE(j.posted, 0) AS posted, COALESCE(IF(i.kind = 'charge', i.amount,
                -i.amount), 0) AS item
            FROM documents d
            LEFT JOIN (SELECT document_id, SUM(debit) - SUM(credit) AS posted
                FROM journal_lines WHERE account = ? GROUP BY document_id) j ON j.document_id = d.id
            LEFT JOIN open_items i ON i.document_id = d.id
            WHERE d.on_account <> COALESCE(j.posted, 0)
                OR d.on_account <> COALESCE(IF(i.kind = 'charge', i.amount, -i.amount), 0)
            SQL
            ,
            [Accounts::RECEIVABLES],
        );

        foreach ($off as $row) {
            $proof->fault(
                "{$row->label}: it changes the account by {$row->on_account}, the journal says {$row->posted}, the "
                    ."ledger {$row->item}",
            );
        }

        $proof->checked('items on accounts equal to their journals', DB::table('open_items')->count());
    }

    private function allocations(Proof $proof): void
    {
        $off = DB::select(
            <<<'SQL'
            SELECT i.label, i.amount, i.`open`, COALESCE(s.settled, 0) AS settled FROM open_items i
            LEFT JOIN (
                SELECT document_id, SUM(amount) AS settled FROM (
                    SELECT charge_id AS document_id, amount FROM allocations UNION ALL SELECT credit_id, amount
                        FROM allocations
                ) both_sides GROUP BY document_id
            ) s ON s.document_id = i.document_id
            WHERE i.amount - COALESCE(s.settled, 0) <> i.`open` OR COALESCE(s.settled, 0) > i.amount
                OR COALESCE(s.settled, 0) < 0
            SQL
            ,
        );

        foreach ($off as $row) {
            $proof->fault(
                "{$row->label}: {$row->open} of {$row->amount} is open, but {$row->settled} is set against it",
            );
        }

        $crossed = DB::select(
            'SELECT a.id FROM allocations a JOIN open_items c ON c.document_id = a.credit_id JOIN open_items h ON '
                ."h.document_id = a.charge_id WHERE c.customer_id <> h.customer_id OR c.kind <> 'credit' OR h.kind <> "
                ."'charge'",
        );

        foreach ($crossed as $row) {
            $proof->fault("allocation {$row->id} is between two customers, or not between a credit and a charge");
        }

        $taken = DB::select(
            'SELECT b.id FROM allocations b JOIN allocations a ON a.id = b.takes_back_id WHERE b.amount <> -a.amount '
                .'OR b.credit_id <> a.credit_id OR b.charge_id <> a.charge_id',
        );

        foreach ($taken as $row) {
            $proof->fault("allocation {$row->id} takes back something else than it says");
        }

        $proof->checked('allocations', DB::table('allocations')->count());
    }

    private function balances(Proof $proof): void
    {
        $off = DB::select(
            "SELECT a.customer_id, a.balance, COALESCE(SUM(IF(i.kind = 'charge', i.`open`, -i.`open`)), 0) AS items "
                .'FROM house_accounts a LEFT JOIN open_items i ON i.customer_id = a.customer_id GROUP BY '
                .'a.customer_id, a.balance HAVING a.balance <> items',
        );

        foreach ($off as $row) {
            $proof->fault(
                "account of customer {$row->customer_id}: the balance is {$row->balance}, its items come "
                    ."to {$row->items}",
            );
        }

        $proof->checked('accounts whose balance is the sum of their items', HouseAccount::query()->count());
    }

    /** What the pages look back with: the last day something was set against each item. */
    private function lastMoved(Proof $proof): void
    {
        $off = DB::select(
            <<<'SQL'
            SELECT i.label, i.moved_on, GREATEST(i.business_date, COALESCE(m.last, i.business_date)) AS last
                FROM open_items i
            LEFT JOIN (
                SELECT document_id, MAX(business_date) AS last FROM (
                    SELECT charge_id AS document_id, business_date
                        FROM allocations UNION ALL SELECT credit_id, business_date FROM allocations
                ) both_sides GROUP BY document_id
            ) m ON m.document_id = i.document_id
            WHERE i.moved_on <> GREATEST(i.business_date, COALESCE(m.last, i.business_date))
            SQL
            ,
        );

        foreach ($off as $row) {
            $proof->fault("{$row->label}: it was moved last on {$row->last}, but says {$row->moved_on}");
        }
    }
}
