<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Illuminate\Support\Facades\DB;

/**
 * Documents that the database copied have no seals. They get some that hang together, so that the application goes on
 * from them; they are of no use to a proof.
 */
final class Sealed
{
    public static function copies(): void
    {
        DB::statement(
            'INSERT INTO document_digests (document_id, kind, number, `before`, digest) SELECT d.id, d.kind, '
                ."d.number, REPEAT('0', 64), SHA2(d.label, 256) FROM documents d LEFT JOIN document_digests s ON "
                .'s.document_id = d.id WHERE s.document_id IS NULL',
        );
        DB::statement(
            'INSERT INTO series_heads (kind, number, digest) SELECT s.kind, s.number, s.digest FROM document_digests '
                .'s JOIN (SELECT kind, MAX(number) AS last FROM document_digests GROUP BY kind) m ON m.kind = s.kind '
                .'AND m.last = s.number ON DUPLICATE KEY UPDATE number = VALUES(number), digest = VALUES(digest)',
        );
    }
}
