<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Staff\Approvals\Approval;
use Elmstone\Staff\Approvals\Need;
use Illuminate\Support\Facades\DB;

/** What was approved for a document, and the figures that needed it: kept with the document, and never changed. */
final class DocumentApprovals
{
    /**
     * In the transaction that posts the document.
     *
     * @param  list<array{string, Need, Approval}>  $kept place on the document, need, approval
     */
    public static function keep(int $document, array $kept): void
    {
        $rows = [];

        foreach ($kept as [$place, $need, $approval]) {
            $rows["{$approval->id} {$place}"] = [
                'document_id' => $document,
                'approval_id' => $approval->id,
                'place' => $place,
                'needed' => $need->scope->toJson(),
            ];
        }

        DB::table('document_approvals')->insert(array_values($rows));
    }
}
