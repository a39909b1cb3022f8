<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Core\Settlement\TenderKind;

/**
 * A way money came in and may go back by, as a name: "cash", a card by its authorisation "card:123456", a gift card by
 * its id "gift_card:7".
 */
final class WayOut
{
    private const SINGLE = [TenderKind::Card, TenderKind::GiftCard];

    public static function name(TenderKind $kind, string $which): string
    {
        return in_array($kind, self::SINGLE, true) && $which !== '' ? "{$kind->value}:{$which}" : $kind->value;
    }

    /** Null for what is none, such as a fee. */
    public static function kind(string $way): ?TenderKind
    {
        return TenderKind::tryFrom(explode(':', $way)[0]);
    }

    /** The card's authorisation or the gift card's id; empty: it has none. */
    public static function which(string $way): string
    {
        return explode(':', $way, 2)[1] ?? '';
    }

    /** Whether it hands over money, and not something that is only owed. */
    public static function isMoney(string $way): bool
    {
        return in_array(
            self::kind($way),
            [TenderKind::Cash, TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer],
            true,
        );
    }
}
