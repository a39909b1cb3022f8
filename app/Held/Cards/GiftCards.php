<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\AtTill;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;

/** Finds gift cards by their numbers. */
final class GiftCards
{
    private const MOST_UNKNOWN = 10;

    /** Numbers of new cards: whoever sells cards types more of them than who looks one up. */
    private const MOST_NEW = 30;

    /** Seconds. */
    private const WITHIN = 300;

    /**
     * @throws Refused bad_card_code, no_such_card, card_replaced
     */
    public static function named(string $typed): GiftCard
    {
        $code = CardCode::of($typed);
        self::assertNotGuessing('unknown', self::MOST_UNKNOWN);
        $row = DB::table('gift_card_codes as c')
            ->join('gift_cards as g', 'g.id', '=', 'c.gift_card_id')
            ->where('c.code', KeptCode::of($code))
            ->first(['c.counts', 'c.gift_card_id', 'g.code']);

        return match (true) {
            $row === null => throw self::unknown($code),
            ! (bool) $row->counts => throw Refused::because(
                'card_replaced',
                "This card was reported lost and is blocked; {$code->masked()} was replaced by "
                    .KeptCode::masked((string) $row->code)
                    .'.',
            ),
            default => GiftCard::query()->findOrFail((int) $row->gift_card_id),
        };
    }

    /** Numbers that no card has, at one till: whoever types many is guessing. */
    private static function unknown(CardCode $code): Refused
    {
        RateLimiter::hit(self::till('unknown'), self::WITHIN);

        return Refused::because('no_such_card', "No gift card has the number {$code->grouped()}.");
    }

    private static function assertNotGuessing(string $what, int $most): void
    {
        if (RateLimiter::tooManyAttempts(self::till($what), $most)) {
            throw Refused::because(
                'too_many',
                'Too many numbers that no card has were typed at this till. Wait a few minutes.',
            );
        }
    }

    private static function till(string $what): string
    {
        $atTill = app(AtTill::class);

        return "gift-cards-{$what}-".($atTill->isChosen() ? $atTill->till()->id : 'none');
    }

    /**
     * Whether a number may be given to a new card. That it is free is an answer too: it is given so often, and no
     * oftener.
     *
     * @throws Refused too_many
     */
    public static function isFree(CardCode $code): bool
    {
        self::assertNotGuessing('new', self::MOST_NEW);
        $isFree = DB::table('gift_card_codes')->where('code', KeptCode::of($code))->doesntExist();
        $isFree && RateLimiter::hit(self::till('new'), self::WITHIN);

        return $isFree;
    }
}
