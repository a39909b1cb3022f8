<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

use Illuminate\Support\Facades\DB;

/** The line that sums something up. */
final class Summary
{
    /** @return string empty: none */
    public static function of(string $of, int $id): string
    {
        $words = DB::table('summaries')->where('of', $of)->where('of_id', $id)->value('words');

        return is_string($words) ? $words : '';
    }
}
