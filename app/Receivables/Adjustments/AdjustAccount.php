<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\PaymentDraft;

/**
 * Writes what changes an account without money or goods: in a posting, the account locked. Its journal is said account
 * by account, with receivables as what it does to the balance.
 */
final readonly class AdjustAccount
{
    public function __construct(private Books $books, private Ledger $ledger, private PaymentDraft $drafts)
    {
    }

    /**
     * @param  Money  $effect on the balance; below zero: less is owed
     * @param  list<array{string, Money}>  $against accounts, and what is debited on each
     * @param  CarbonImmutable|null  $due when it is a charge
     * @return int the document's id
     */
    public function post(
        HouseAccount $account,
        Purpose $purpose,
        Money $effect,
        array $against,
        PostedAt $at,
        string $key,
        string $note,
        ?int $refersTo = null,
        ?CarbonImmutable $due = null,
    ): int {
        $name = Customer::query()->whereKey($account->customer_id)->value('name');
        $party = new Party(
            $account->customer_id, is_string($name) ? $name : '', due: $due, balanceBefore: $account->balance,
        );
        $draft = $this->draft($party, $purpose, $effect, $against, $at, $key, $note, $refersTo);
        $document = $this->books->document($draft);
        $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);

        return $document;
    }

    /**
     * The same as a draft, where many are written at once.
     *
     * @param  list<array{string, Money}>  $against accounts, and what is debited on each
     */
    public function draft(
        Party $party,
        Purpose $purpose,
        Money $effect,
        array $against,
        PostedAt $at,
        string $key,
        string $note,
        ?int $refersTo = null,
    ): DocumentDraft {
        $postings = [[Accounts::RECEIVABLES, $effect], ...$against];
        Journal::of($effect->currency, $postings);
        $entry = MoneyEntry::ofTheLedger($purpose, $effect->abs());

        return $this->drafts->draft(
            DocumentKind::Adjustment, $entry, $at, $party, $key, note: mb_substr($note, 0, 255), refersTo: $refersTo,
        )->posting($entry, $postings);
    }
}
