<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Credits\CardCode;

/** Gift cards on a slip as it keeps them: sold, topped up, or paid with. */
final readonly class CardsOnSlip
{
    /** @param  string  $code empty: a new card whose number is drawn when it is posted */
    public function __construct(public string $code, public int $amount, public bool $isNew = false)
    {
    }

    /**
     * @param  list<array{code: string, amount: int, new?: bool}>|null  $kept
     * @return list<self>
     */
    public static function all(?array $kept): array
    {
        return array_map(static fn (array $card): self => new self($card['code'], $card['amount'], $card['new'] ?? false), $kept ?? []);
    }

    /**
     * @param  list<self>  $cards
     * @return list<array{code: string, amount: int, new: bool}>|null
     */
    public static function kept(array $cards): ?array
    {
        return $cards === [] ? null : array_map(static fn (self $card): array => ['code' => $card->code, 'amount' => $card->amount, 'new' => $card->isNew], array_values($cards));
    }

    public function words(): string
    {
        return $this->code === '' ? 'new card' : CardCode::of($this->code)->masked();
    }
}
