<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxClass;

/** Everything a paper says, the same for screen, printer and PDF. */
final readonly class PaperData
{
    public function __construct(private House $house)
    {
    }

    /** @return array<string, mixed> */
    public function of(Document $document, bool $copy): array
    {
        $document->loadMissing(['lines', 'taxes', 'tenders', 'location', 'till', 'staff']);

        return [
            'document' => $document,
            'shop' => $this->house->shop(),
            'copy' => $copy,
            'letters' => TaxClass::query()->pluck('letter', 'code')->all(),
        ];
    }
}
