<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Opening;

use Elmstone\Books\FindsDocuments;
use Illuminate\Support\Facades\DB;

/** Finds what was brought in as open by the number it had before. */
final class FindByOldNumber implements FindsDocuments
{
    public function find(string $typed, int $most): array
    {
        return array_values(array_map(intval(...), DB::table('opening_items')
            ->where('number', mb_substr($typed, 0, 40))
            ->orderByDesc('document_id')
            ->limit($most)
            ->pluck('document_id')
            ->all()));
    }
}
