<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Support\Database\Rows;

/** Rows of a document that cannot be added any more when it is sealed. For migrations. */
final class SealedRows
{
    /** @param  string  $which SQL over NEW: which rows are meant, where it is not all */
    public static function of(string $table, string $which = 'TRUE'): void
    {
        $sealed = "{$which} AND EXISTS (SELECT 1 FROM document_digests WHERE document_id = NEW.document_id)";
        Rows::refuse($table, 'INSERT', 'of_the_unsealed', $sealed, 'Posted is posted: this document is sealed');
    }
}
