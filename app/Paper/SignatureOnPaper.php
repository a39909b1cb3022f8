<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** The payer’s signature on receipts and invoices, or the line they sign on. */
final readonly class SignatureOnPaper implements Annotates
{
    public function __construct(private House $house)
    {
    }

    public function place(): int
    {
        return 9;
    }

    public function notes(Document $document, bool $copy): array
    {
        $signed = $this->house->shop()->print_signatures ? PaymentSignature::query()->find($document->id) : null;

        return $signed === null ? [] : [new PaperNote(
            'Signature of who pays',
            [['For', Show::money($signed->amount)]],
            $signed->signature === null ? "\u{2715} ______________________________ {$signed->signed_by}"
                : "signed by {$signed->signed_by}, ".Show::moment($signed->signed_at),
            drawing: (string) $signed->signature,
        )];
    }
}
