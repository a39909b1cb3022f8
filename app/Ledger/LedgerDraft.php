<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\JournalRow;
use Elmstone\Books\Purpose;
use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Shop\House;

/** A document that says itself what it does to the accounts. */
final readonly class LedgerDraft
{
    public function __construct(private House $house)
    {
    }

    /** @param  list<array{string, Money}>  $postings account, and what is debited; below zero: credited */
    public function of(
        Purpose $purpose,
        array $postings,
        PostedAt $at,
        string $key,
        string $note,
        ?int $refersTo = null,
    ): DocumentDraft {
        $terms = $this->house->taxTerms();
        $nothing = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), []));
        $total = Journal::of($this->house->currency(), $postings)->debits;

        return DocumentDraft::of(DocumentKind::Adjustment, $at, $key, $terms, $nothing)
            ->posting(MoneyEntry::ofTheLedger($purpose, $total), $postings)
            ->referringTo($refersTo)
            ->noting(mb_substr($note, 0, 255));
    }

    /** @return list<array{string, Money}> what takes a document back account by account */
    public static function mirrored(Document $document): array
    {
        return array_values($document->journal->map(
            static fn (JournalRow $row): array => [$row->account, $row->credit->minus($row->debit)],
        )->all());
    }
}
