<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Core\Settlement\TenderKind;

/**
 * A way money came in by and may go back by. Of cards and gift cards there can be several: those are ways of their own,
 * known by the card's authorisation and by the gift card's id.
 */
final readonly class Way
{
    private const SEVERAL = [TenderKind::Card, TenderKind::GiftCard];

    private function __construct(public TenderKind $kind, public string $which)
    {
    }

    /** @param  string  $which a card's authorisation, a gift card's id; of other kinds it says nothing */
    public static function of(TenderKind $kind, string $which = ''): self
    {
        return new self($kind, in_array($kind, self::SEVERAL, true) ? $which : '');
    }

    /** As it was written as a key; null: it is none, such as a fee that is kept. */
    public static function read(string|int $key): ?self
    {
        [$kind, $which] = [...explode(':', (string) $key, 2), ''];
        $kind = TenderKind::tryFrom($kind);

        return $kind === null ? null : self::of($kind, $which);
    }

    /**
     * What of amounts by way goes by ways of one kind of which there can be several.
     *
     * @template T
     *
     * @param  array<T>  $ways by way
     * @return array<int|string, T> by authorisation or id
     */
    public static function among(array $ways, TenderKind $kind): array
    {
        $found = [];

        foreach ($ways as $key => $amount) {
            $way = self::read($key);
            $way?->kind !== $kind || $way->which === '' || ($found[$way->which] = $amount);
        }

        return $found;
    }

    /** What amounts by way are listed under: "cash", "card:123456", "gift_card:7". */
    public function key(): string
    {
        return $this->which === '' ? $this->kind->value : "{$this->kind->value}:{$this->which}";
    }

    /** Whether it hands over money, and not something that is only owed. */
    public function isMoney(): bool
    {
        return in_array(
            $this->kind,
            [TenderKind::Cash, TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer],
            true,
        );
    }
}
