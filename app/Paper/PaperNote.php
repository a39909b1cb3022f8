<?php

declare(strict_types=1);

namespace Elmstone\Paper;

/** Something a paper says besides what its document does: what a layaway has been paid by now, what stays held. */
final readonly class PaperNote
{
    /**
     * @param  list<array{string, string}>  $rows words and figure
     * @param  string  $drawing strokes of a pen, as an SVG path; empty: none
     * @param  string  $link an address, printed as a QR code too; empty: none
     * @param  string  $code printed as a barcode, to be scanned next time; empty: none
     */
    public function __construct(
        public string $title,
        public array $rows,
        public string $words = '',
        public string $code = '',
        public string $drawing = '',
        public string $link = '',
    ) {
    }
}
