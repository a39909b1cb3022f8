<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Ramsey\Uuid\Uuid;

/** The documents of money beside all customers: what is in a drawer, in the safe, on its way to the bank. */
final class DrawerPosting
{
    public function __construct(private readonly Books $books, private readonly House $house)
    {
    }

    /**
     * Writes one, within a posting.
     *
     * @return int its id
     */
    public function document(
        TillSession $session,
        Purpose $purpose,
        Money $amount,
        TenderKind $way,
        Staff $by,
        string $note,
    ): int {
        $key = Uuid::uuid5(Uuid::NAMESPACE_OID, "session {$session->id} {$purpose->value} {$way->value}")->toString();

        return $this->books->document(
            $this->draft(
                PostedAt::till($session->till, $by->id)->in($session->id),
                $purpose,
                $amount,
                $way,
                $key,
                $note,
            ),
        );
    }

    /** @param  string  $account what petty cash is spent on; otherwise nothing */
    public function draft(
        PostedAt $at,
        Purpose $purpose,
        Money $amount,
        TenderKind $way,
        string $key,
        string $note,
        string $account = '',
    ): DocumentDraft {
        return $this->moving(
            $at,
            MoneyEntry::drawer($purpose, $amount),
            [new DraftTender(Tender::of($way, $amount), $amount, $account)],
            $key,
            $note,
        );
    }

    /** @param  list<DraftTender>  $tenders */
    public function moving(
        PostedAt $at,
        MoneyEntry $entry,
        array $tenders,
        string $key,
        string $note,
        ?int $refersTo = null,
    ): DocumentDraft {
        $terms = $this->house->taxTerms();
        $nothing = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), []));

        return DocumentDraft::of(DocumentKind::Adjustment, $at, $key, $terms, $nothing)
            ->moving($entry)
            ->settledBy($tenders)
            ->referringTo($refersTo)
            ->noting(mb_substr($note, 0, 255));
    }
}
