<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Slip\SlipPart;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\KeptCode;
use Illuminate\Support\Facades\Crypt;

/** Gift cards on a slip as it keeps them: sold, topped up, or paid with. */
final readonly class CardsOnSlip
{
    /**
     * @param  string  $code what is kept of its number; empty: a new card whose number is drawn when it is posted
     * @param  string  $number of a new card that brings its own: the number, encrypted, until it is posted
     * @param  int|null  $cardId null: a new card
     */
    public function __construct(
        public string $code,
        public Money $amount,
        public bool $isNew = false,
        public string $number = '',
        public ?int $cardId = null,
    ) {
    }

    /** So much of a card that is in use. */
    public static function of(GiftCard $card, Money $amount): self
    {
        return new self($card->code, $amount, cardId: $card->id);
    }

    public static function ofItsOwn(CardCode $code, Money $amount): self
    {
        return new self(KeptCode::of($code), $amount, true, Crypt::encryptString($code->digits));
    }

    /** The number that a new card brings; null: one is drawn. */
    public function brings(): ?CardCode
    {
        return $this->number === '' ? null : CardCode::of(Crypt::decryptString($this->number));
    }

    /**
     * @param  list<SlipPart>  $kept
     * @return list<self>
     */
    public static function all(array $kept): array
    {
        return array_map(
            static fn (SlipPart $part): self => new self(
                $part->code,
                $part->amount,
                $part->gift_card_id === null && $part->code !== '',
                $part->number,
                $part->gift_card_id,
            ),
            $kept,
        );
    }

    /** @return array<string, scalar|Money|null> as the slip keeps it */
    public function kept(): array
    {
        return [
            'gift_card_id' => $this->cardId,
            'code' => $this->code,
            'number' => $this->number,
            'amount' => $this->amount,
        ];
    }

    /** The same card with so much of it. */
    public function with(Money $amount): self
    {
        return new self($this->code, $amount, $this->isNew, $this->number, $this->cardId);
    }

    public function words(): string
    {
        return $this->code === '' ? 'new card' : KeptCode::masked($this->code);
    }
}
