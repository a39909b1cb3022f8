<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Elmstone\Books\HeldKind;
use Elmstone\Books\Proof\ControlAccountProof;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Illuminate\Support\Facades\DB;

/**
 * Proves money held of every kind: each document's change is its entries and its posting; what each account holds is
 * the sum of its entries, nothing kept for an order below zero; all accounts of a kind are the account of the books;
 * what a merge moved went to the customer the other became.
 */
final class ProveHeld implements Topic
{
    public function inWords(): string
    {
        return 'Money that is held is what its lists say';
    }

    public function page(): string
    {
        return 'deposits';
    }

    public function prove(Proof $proof): void
    {
        foreach (HeldKind::cases() as $kind) {
            $this->kind($proof, $kind);
        }

        $this->balances($proof);
        $this->merges($proof);
    }

    private function kind(Proof $proof, HeldKind $kind): void
    {
        $posted = (new ControlAccountProof(
            $kind,
            'SELECT e.document_id, e.business_date, e.amount FROM held_entries e JOIN held_accounts a ON a.id = '
                ."e.account_id WHERE a.kind = '{$kind->value}'",
        ))->prove($proof);
        $proof->same(
            "{$kind->words()} held",
            'the sum over all accounts',
            (int) HeldAccount::query()->where('kind', $kind)->sum('balance'),
            $posted,
        );
    }

    private function balances(Proof $proof): void
    {
        $off = DB::select(
            'SELECT a.id, a.kind, a.balance, COALESCE(SUM(e.amount), 0) AS entries FROM held_accounts a LEFT JOIN '
                .'held_entries e ON e.account_id = a.id GROUP BY a.id, a.kind, a.balance HAVING a.balance <> entries',
        );

        foreach ($off as $row) {
            $kind = HeldKind::from((string) $row->kind)->words();
            $proof->fault("{$kind}, account {$row->id}: {$row->balance} is held, the entries come to {$row->entries}");
        }

        $off = DB::select(
            'SELECT e.account_id, e.kept_for FROM held_entries e GROUP BY e.account_id, e.kept_for HAVING '
                .'SUM(e.amount) < 0',
        );

        foreach ($off as $row) {
            $proof->fault("account {$row->account_id}: what is kept for “{$row->kept_for}” is below zero");
        }

        $proof->checked('accounts of money held equal to their entries', HeldAccount::query()->count());
    }

    /**
     * Entries of a merge stand outside the digests of documents, so they may move money one way only: from a customer
     * who was merged to the one they became, on accounts of which each has one.
     */
    private function merges(Proof $proof): void
    {
        $off = DB::select(
            'SELECT kind, document_id FROM (SELECT e.document_id, e.kept_for, e.amount, a.kind, CASE WHEN a.sole IS '
                .'NULL THEN NULL WHEN e.amount < 0 THEN c.merged_into_id ELSE a.customer_id END AS into_id FROM '
                .'held_entries e JOIN held_accounts a ON a.id = e.account_id LEFT JOIN customers c ON c.id = '
                ."a.customer_id WHERE e.movement = 'merged') moved GROUP BY document_id, kept_for, kind, into_id "
                .'HAVING into_id IS NULL OR SUM(amount) <> 0',
        );

        foreach ($off as $row) {
            $kind = HeldKind::from((string) $row->kind)->words();
            $proof->fault("{$kind}: money of document {$row->document_id} was moved as if by a merge");
        }
    }
}
