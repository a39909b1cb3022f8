<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Core\Money\Refused;
use Illuminate\Http\Response;

/** Invoices and credit notes as UBL. */
final class UblController
{
    public function show(Document $document, UblInvoice $ubl): Response
    {
        if (! in_array($document->kind, [DocumentKind::Invoice, DocumentKind::CreditNote], true)) {
            throw Refused::because('not_an_invoice', "{$document->label} is neither an invoice nor a credit note.");
        }

        return response($ubl->of($document), 200, [
            'Content-Type' => 'application/xml; charset=UTF-8',
            'Content-Disposition' => "attachment; filename=\"{$document->label}.xml\"",
        ]);
    }
}
