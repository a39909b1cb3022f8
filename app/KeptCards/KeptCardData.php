<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

use Elmstone\Support\PersonalData;
use Illuminate\Support\Facades\DB;

/** A card on file is taken off first: the terminal forgets it then. */
final class KeptCardData implements PersonalData
{
    public function hinders(int $customer): ?string
    {
        return DB::table('cards_on_file')->where('customer_id', $customer)->whereNull('removed_on')->exists()
            ? 'A card of theirs is on file: take it off first.' : null;
    }

    public function shows(int $customer): array
    {
        $cards = DB::table('cards_on_file')
            ->where('customer_id', $customer)
            ->get(['card_type', 'last_four', 'name', 'consent', 'consent_on', 'removed_on'])
            ->map(get_object_vars(...))->all();

        return ['cards on file' => array_values($cards)];
    }

    public function erase(int $customer): void
    {
        // What was taken off has no token any more.
    }
}
