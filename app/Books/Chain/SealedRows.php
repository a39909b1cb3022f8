<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Support\Database\Rows;

/** Rows of a document that cannot be added any more when it is sealed. For migrations. */
final class SealedRows
{
    public static function of(string $table): void
    {
        $sealed = 'EXISTS (SELECT 1 FROM document_digests WHERE document_id = NEW.document_id)';
        Rows::refuse($table, 'INSERT', 'of_the_unsealed', $sealed, 'Posted is posted: this document is sealed');
    }
}
