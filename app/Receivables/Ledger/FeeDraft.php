<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxTerms;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;

/** An invoice over a fee and nothing else. The fee is what is to be paid: its tax, where it is taxed, is in it. */
final readonly class FeeDraft
{
    /** The tax class of what is not taxed anywhere. */
    public const UNTAXED = 'none';

    public function __construct(private House $house)
    {
    }

    /**
     * @param  string|null  $taxClass null: not taxed
     * @param  list<DraftTender>  $tenders
     */
    public function draft(
        string $words,
        Money $fee,
        ?string $taxClass,
        Location $place,
        PostedAt $at,
        Party $party,
        string $key,
        array $tenders,
        string $note = '',
        ?int $refersTo = null,
    ): DocumentDraft {
        $terms = TaxTerms::pricesWithTax($this->house->taxTerms()->rounding);
        $line = SlipLine::of(
            'fee',
            Direction::Out,
            Quantity::of('1'),
            UnitPrice::of($fee->toString()),
            1,
            $taxClass ?? self::UNTAXED,
            null,
            false,
        );
        $taxes = $taxClass === null ? TaxProfile::of() : $place->taxProfile->toValue($at->day);
        $reckoned = Reckoner::reckon(Slip::of($fee->currency, $terms, $taxes, [$line]));
        $zero = Money::zero($fee->currency);

        $line = new DraftLine(
            $reckoned->lines[0], null, 'FEE', $words, null, 'each', PriceRule::Typed,
            UnitPrice::of($fee->toString()), $zero,
        );

        return DocumentDraft::of(DocumentKind::Invoice, $at, $key, $terms, $reckoned)
            ->for(Purpose::Fee)
            ->withLines(
                [$line],
                $taxClass === null ? [] : $place->taxProfile->names(),
            )
            ->settledBy($tenders)
            ->to($party)
            ->noting($note)
            ->referringTo($refersTo);
    }
}
