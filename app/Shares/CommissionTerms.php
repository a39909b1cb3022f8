<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Elmstone\Core\Shares\EarnedAt;
use Illuminate\Support\Facades\DB;

/** When the house counts commission as earned. */
final class CommissionTerms
{
    public static function earned(): EarnedAt
    {
        $kept = DB::table('commission_terms')->value('earned_at');

        return EarnedAt::tryFrom(is_string($kept) ? $kept : '') ?? EarnedAt::Invoice;
    }

    public static function set(EarnedAt $earned): void
    {
        DB::table('commission_terms')->upsert([['id' => 1, 'earned_at' => $earned->value]], ['id'], ['earned_at']);
    }
}
