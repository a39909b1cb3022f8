<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Credits\CardCode;
use Elmstone\Held\Cards\KeptCode;
use Illuminate\Support\Facades\Crypt;

/** Gift cards on a slip as it keeps them: sold, topped up, or paid with. */
final readonly class CardsOnSlip
{
    /**
     * @param  string  $code what is kept of its number; empty: a new card whose number is drawn when it is posted
     * @param  string  $number of a new card that brings its own: the number, encrypted, until it is posted
     */
    public function __construct(
        public string $code,
        public int $amount,
        public bool $isNew = false,
        public string $number = '',
    ) {
    }

    public static function ofItsOwn(CardCode $code, int $amount): self
    {
        return new self(KeptCode::of($code), $amount, true, Crypt::encryptString($code->digits));
    }

    /** The number that a new card brings; null: one is drawn. */
    public function brings(): ?CardCode
    {
        return $this->number === '' ? null : CardCode::of(Crypt::decryptString($this->number));
    }

    /**
     * @param  list<array{code: string, amount: int, new?: bool, number?: string}>|null  $kept
     * @return list<self>
     */
    public static function all(?array $kept): array
    {
        return array_map(
            static fn (array $card): self => new self(
                $card['code'],
                $card['amount'],
                $card['new'] ?? false,
                $card['number'] ?? '',
            ),
            $kept ?? [],
        );
    }

    /**
     * @param  list<self>  $cards
     * @return list<array{code: string, amount: int, new: bool, number: string}>|null
     */
    public static function kept(array $cards): ?array
    {
        return $cards === []
            ? null
            : array_map(
                static fn (self $card): array => [
                    'code' => $card->code,
                    'amount' => $card->amount,
                    'new' => $card->isNew,
                    'number' => $card->number,
                ],
                array_values($cards),
            );
    }

    public function words(): string
    {
        return $this->code === '' ? 'new card' : KeptCode::masked($this->code);
    }
}
