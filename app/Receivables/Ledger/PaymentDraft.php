<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Shop\House;

/** Documents without goods, as drafts for the register. */
final readonly class PaymentDraft
{
    public function __construct(private House $house)
    {
    }

    /** @param  list<DraftTender>  $tenders */
    public function draft(
        DocumentKind $kind,
        MoneyEntry $entry,
        PostedAt $at,
        Party $party,
        string $key,
        array $tenders = [],
        ?Money $rounding = null,
        ?Money $change = null,
        string $note = '',
        ?int $refersTo = null,
    ): DocumentDraft {
        $terms = $this->house->taxTerms();
        $nothing = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), []));

        return DocumentDraft::of($kind, $at, $key, $terms, $nothing)
            ->moving($entry)
            ->settledBy($tenders, $rounding, $change)
            ->to($party->untaxed())
            ->noting($note)
            ->referringTo($refersTo);
    }
}
