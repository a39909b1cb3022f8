<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Books\FindsDocuments;
use Elmstone\Catalogue\Serials;

/** Finds the document a piece left by, by the piece's number. */
final class FindBySerial implements FindsDocuments
{
    public function find(string $typed, int $most): array
    {
        return Serials::leftBy($typed, $most);
    }
}
