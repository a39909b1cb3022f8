<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Elmstone\Books\DocumentDraft;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DraftTender;
use Elmstone\Books\MoneyEntry;
use Elmstone\Books\Party;
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
        $zero = Money::zero($this->house->currency());
        $terms = $this->house->taxTerms();

        return new DocumentDraft(
            $kind,
            $at->locationId,
            $at->tillId,
            $at->staffId,
            $at->day,
            CarbonImmutable::now(),
            $terms,
            Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), [])),
            null,
            [],
            [],
            $tenders,
            $rounding ?? $zero,
            $change ?? $zero,
            $key,
            $party->untaxed(),
            $note,
            $entry,
            $refersTo,
        );
    }
}
