<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Core\Money\Money;
use Elmstone\MoneyOut\WayOut;
use Illuminate\Support\Facades\DB;

/** What of each original went back by which way, as it is kept. */
final class ShareRows
{
    /** @param  array<string, array<string, Money>>  $shares by source and way */
    public static function write(int $document, array $shares): void
    {
        $rows = [];

        foreach ($shares as $source => $ways) {
            [$pool, $origin] = $source === CreditSources::BLIND ? ['blind', null] : explode(':', $source);

            foreach ($ways as $way => $amount) {
                [$kind, $authorisation] = [WayOut::kind($way)->value ?? $way, WayOut::which($way)];
                $rows[] = [
                    'document_id' => $document,
                    'origin_document_id' => $origin === null ? null : (int) $origin,
                    'pool' => $pool,
                    'way' => $kind,
                    'authorisation' => $authorisation,
                    'amount' => $amount->minor,
                ];
            }
        }

        DB::table('return_shares')->insert($rows);
    }
}
