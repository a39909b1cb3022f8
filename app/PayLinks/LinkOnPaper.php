<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\OffersLinks;
use Elmstone\Paper\PaperNote;
use Elmstone\Paper\Payable;

/** Where an invoice that was charged to an account can be paid: on its papers. */
final readonly class LinkOnPaper implements Annotates
{
    public function __construct(private OffersLinks $links)
    {
    }

    public function place(): int
    {
        return 8;
    }

    public function notes(Document $document, bool $copy): array
    {
        $charged = $document->kind !== DocumentKind::Invoice || $document->customer_id === null
            ? $document->total->minus($document->total)
            : Money::sum(
                $document->tenders->where('kind', TenderKind::HouseAccount)->pluck('amount'),
                $document->total->currency,
            );
        $address = $charged->isPositive()
            ? $this->links->address(Payable::Invoice, $document->id, $charged, $document->business_date)
            : '';

        return $address === '' ? [] : [new PaperNote('Pay it by card', [], link: $address)];
    }
}
