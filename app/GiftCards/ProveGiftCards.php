<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\ControlAccountProof;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/**
 * Proves the gift cards: each document's change is its entries and its posting; what each card is worth is the sum of
 * its entries; all of them are the account.
 */
final class ProveGiftCards implements Check
{
    public function prove(Proof $proof): void
    {
        $account = ControlAccountProof::of($proof, 'gift_card_change', 'gift_card_entries', Accounts::GIFT_CARDS);

        foreach (
            DB::select(
                'SELECT g.id, g.balance, COALESCE(SUM(e.amount), 0) AS entries FROM gift_cards g LEFT JOIN '
                    .'gift_card_entries e ON e.gift_card_id = g.id GROUP BY g.id, g.balance HAVING g.balance <> '
                    .'entries',
            ) as $row
        ) {
            $proof->fault("gift card {$row->id}: it is worth {$row->balance}, its entries come to {$row->entries}");
        }

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

        $proof->same('gift cards owed', 'the sum over all cards', (int) GiftCard::query()->sum('balance'), $account);
        $proof->checked('gift cards equal to their entries', GiftCard::query()->count());
    }
}
