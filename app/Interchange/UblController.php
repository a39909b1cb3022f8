<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Core\Money\Refused;
use Illuminate\Http\Response;

/** Invoices as UBL. */
final class UblController
{
    public function show(Document $document, UblInvoice $ubl): Response
    {
        if ($document->kind !== DocumentKind::Invoice) {
            throw Refused::because('not_an_invoice', "{$document->label} is not an invoice.");
        }

        return response($ubl->of($document), 200, ['Content-Type' => 'application/xml; charset=UTF-8', 'Content-Disposition' => "attachment; filename=\"{$document->label}.xml\""]);
    }
}
