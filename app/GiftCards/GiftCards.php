<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;

/** Finds gift cards by their numbers. */
final class GiftCards
{
    /**
     * @throws Refused bad_card_code, no_such_card, card_replaced
     */
    public static function named(string $typed): GiftCard
    {
        $code = CardCode::of($typed);
        $row = DB::table('gift_card_codes as c')->join('gift_cards as g', 'g.id', '=', 'c.gift_card_id')->where('c.code', $code->digits)->first(['c.counts', 'c.gift_card_id', 'g.code']);

        return match (true) {
            $row === null => throw Refused::because('no_such_card', "No gift card has the number {$code->grouped()}."),
            ! (bool) $row->counts => throw Refused::because('card_replaced', "This card was reported lost and is blocked; {$code->masked()} was replaced by ".CardCode::of((string) $row->code)->masked().'.'),
            default => GiftCard::query()->findOrFail((int) $row->gift_card_id),
        };
    }

    /** Whether a number may be given to a new card. */
    public static function isFree(CardCode $code): bool
    {
        return DB::table('gift_card_codes')->where('code', $code->digits)->doesntExist();
    }
}
