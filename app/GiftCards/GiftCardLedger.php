<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that writes gift cards. What a card is worth changes under its lock, which is taken before anything
 * else is read in the transaction.
 */
final class GiftCardLedger
{
    public function __construct(private readonly House $house)
    {
    }

    /**
     * In the order of their ids, so that two who want the same never wait for each other.
     *
     * @param  array<string>  $codes as they are kept
     * @return Collection<string, GiftCard> by code
     */
    public function lockAll(array $codes): Collection
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Gift cards are locked inside a transaction.');
        }

        return $codes === []
            ? new Collection
            : GiftCard::query()->whereIn('code', $codes)->orderBy('id')->lockForUpdate()->get()->keyBy('code');
    }

    /**
     * A new card, worth nothing yet.
     *
     * @param  CardCode|null  $code printed on the card; null: one is drawn
     *
     * @throws Refused card_code_taken
     */
    public function issue(CarbonImmutable $day, ?CardCode $code = null): GiftCard
    {
        $code ??= self::drawn();
        $months = $this->house->shop()->gift_card_months;

        try {
            $card = GiftCard::query()->create([
                'code' => KeptCode::of($code),
                'number' => Crypt::encryptString($code->digits),
                'balance' => 0,
                'issued_on' => $day->format('Y-m-d'),
                'expires_on' => $months === null ? null : $day->addMonthsNoOverflow($months)->format('Y-m-d'),
                'blocked' => false,
            ]);
            self::keepCode($code, $card->id);
        } catch (UniqueConstraintViolationException) {
            throw Refused::because(
                'card_code_taken',
                "Gift card {$code->masked()} is in use already. Take another card.",
            );
        }

        return $card;
    }

    /**
     * @param  int  $amount minor units; below zero: used
     *
     * @throws Refused card_unusable, over_gift_card
     */
    public function move(GiftCard $card, int $document, int $amount, CarbonImmutable $day): void
    {
        $label = $card->masked();

        match (true) {
            $card->blocked => throw Refused::because('card_unusable', "Gift card {$label} is blocked."),
            $amount < 0 && $card->isExpired($day) => throw Refused::because(
                'card_unusable',
                "Gift card {$label} {$card->hindrance($day)}. A supervisor can extend it.",
            ),
            $card->balance + $amount < 0 => throw Refused::because(
                'over_gift_card',
                "Gift card {$label} is worth ".Show::money($this->house->money($card->balance)).' now.',
            ),
            default => null,
        };

        if ($amount !== 0) {
            DB::table('gift_card_entries')->insert([
                'gift_card_id' => $card->id,
                'document_id' => $document,
                'amount' => $amount,
                'business_date' => $day->format('Y-m-d'),
            ]);
            $card->forceFill(['balance' => $card->balance + $amount])->save();
        }
    }

    public static function keepCode(CardCode $code, int $card): void
    {
        $kept = KeptCode::of($code);
        DB::table('gift_card_codes')->insert([
            'code' => $kept,
            'gift_card_id' => $card,
            'seal' => KeptCode::seal($kept, $card),
        ]);
    }

    /** Fourteen digits of the system's own randomness. */
    public static function drawn(): CardCode
    {
        return CardCode::make(str_pad((string) random_int(0, 99_999_999_999_999), 14, '0', STR_PAD_LEFT));
    }
}
