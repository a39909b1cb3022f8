<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Core\Money\Money;
use Elmstone\MoneyOut\Way;
use Illuminate\Support\Facades\DB;

/** What of each original went back by which way, as it is kept. */
final class ShareRows
{
    /** @param  array<string, array<string, Money>>  $shares by source and way */
    public static function write(int $document, array $shares): void
    {
        $rows = [];

        foreach ($shares as $source => $ways) {
            $from = Source::read($source);

            foreach ($ways as $way => $amount) {
                $by = Way::read($way);
                $rows[] = [
                    'document_id' => $document,
                    'origin_document_id' => $from->origin,
                    'pool' => $from->pool->value,
                    'way' => $by->kind->value ?? $way,
                    'authorisation' => $by->which ?? '',
                    'amount' => $amount,
                ];
            }
        }

        DB::table('return_shares')->insert($rows);
    }
}
