<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that issues gift cards and uses them. What a card is worth changes under its lock, which is taken
 * before anything else is read in the transaction.
 */
final class GiftCardLedger
{
    public function __construct(private readonly House $house, private readonly HeldLedger $held)
    {
    }

    /**
     * @param  array<string>  $codes as they are kept
     * @return Collection<string, GiftCard> by code
     */
    public function lockAll(array $codes): Collection
    {
        return $this->locked('code', $codes)->keyBy('code');
    }

    /**
     * @param  array<int>  $ids
     * @return Collection<int, GiftCard> by id
     */
    public function lockIds(array $ids): Collection
    {
        return $this->locked('id', $ids)->keyBy('id');
    }

    /**
     * In the order of their ids, so that two who want the same never wait for each other; with what they are worth.
     *
     * @param  array<int|string>  $values
     * @return Collection<int, GiftCard>
     */
    private function locked(string $column, array $values): Collection
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Gift cards are locked inside a transaction.');
        }

        $cards = $values === []
            ? new Collection
            : GiftCard::query()
                ->without('account')
                ->forceIndex($column === 'id' ? 'PRIMARY' : 'gift_cards_code_unique')
                ->whereIn($column, $values)
                ->orderBy('id')
                ->lockForUpdate()
                ->get();
        $accounts = $this->held->lockAll($cards->pluck('account_id')->all());

        return $cards->each(
            static fn (GiftCard $card) => $card->setRelation('account', $accounts->get($card->account_id)),
        );
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

        $account = $this->held->open(HeldKind::GiftCard);

        try {
            $card = GiftCard::query()->create([
                'code' => KeptCode::of($code),
                'number' => Crypt::encryptString($code->digits),
                'account_id' => $account->id,
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

        return $card->setRelation('account', $account);
    }

    /** @throws Refused card_unusable */
    public function put(GiftCard $card, int $document, Money $amount, CarbonImmutable $day): void
    {
        $card->blocked && throw self::blocked($card);
        $this->held->put($card->account, $document, $amount, $day);
    }

    /** @throws Refused card_unusable, over_gift_card */
    public function take(
        GiftCard $card,
        int $document,
        Money $amount,
        CarbonImmutable $day,
        Movement $movement = Movement::Used,
    ): void {
        $label = $card->masked();

        match (true) {
            $card->blocked => throw self::blocked($card),
            $amount->isPositive() && $card->isExpired($day) => throw Refused::because(
                'card_unusable',
                "Gift card {$label} {$card->hindrance($day)}. A supervisor can extend it.",
            ),
            $amount->exceeds($card->account->balance) => throw Refused::because(
                'over_gift_card',
                "Gift card {$label} is worth ".Show::money($card->account->balance).' now.',
            ),
            default => null,
        };
        $this->held->take($card->account, $document, $amount, $day, $movement);
    }

    private static function blocked(GiftCard $card): Refused
    {
        return Refused::because('card_unusable', "Gift card {$card->masked()} is blocked.");
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
