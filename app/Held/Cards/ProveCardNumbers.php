<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/** Proves the numbers of gift cards: just the one a card bears counts, and each was given to it. */
final class ProveCardNumbers implements Check
{
    public function prove(Proof $proof): void
    {
        foreach (
            DB::select(
                'SELECT g.id FROM gift_cards g LEFT JOIN gift_card_codes c ON c.gift_card_id = g.id AND c.counts = 1 '
                    .'GROUP BY g.id, g.code HAVING COUNT(c.code) <> 1 OR MIN(c.code) <> g.code',
            ) as $row
        ) {
            $proof->fault("gift card {$row->id}: not just the number it bears counts");
        }

        foreach (DB::table('gift_card_codes')->orderBy('code')->cursor() as $row) {
            hash_equals(KeptCode::seal((string) $row->code, (int) $row->gift_card_id), (string) $row->seal)
                || $proof->fault(
                    "gift card {$row->gift_card_id}: the number "
                        .KeptCode::masked((string) $row->code)
                        .' was not given to it',
                );
        }

        $proof->checked('numbers of gift cards', DB::table('gift_card_codes')->count());
    }
}
