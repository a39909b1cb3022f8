<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Settlement\TenderKind;

/** What the shop holds for others and owes them: each with the account it stands on and the way it pays by. */
enum HeldKind: string
{
    case Deposit = 'deposit';
    case GiftCard = 'gift_card';
    case Layaway = 'layaway';
    case Order = 'order';
    case StoreCredit = 'store_credit';

    /** The account of the ledger that shows what is held of all of them. */
    public function account(): string
    {
        return Accounts::tender($this->tender());
    }

    /** The way of paying that uses it. */
    public function tender(): TenderKind
    {
        return match ($this) {
            self::Deposit => TenderKind::DepositHeld,
            self::GiftCard => TenderKind::GiftCard,
            self::Layaway => TenderKind::LayawayMoney,
            self::Order => TenderKind::OrderMoney,
            self::StoreCredit => TenderKind::StoreCredit,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Deposit => 'deposits',
            self::GiftCard => 'gift cards',
            self::Layaway => 'layaway money',
            self::Order => 'order deposits',
            self::StoreCredit => 'store credit',
        };
    }

    /** Whether it is what was paid on an agreement. */
    public function isOfAgreement(): bool
    {
        return $this === self::Layaway || $this === self::Order;
    }

    /** Whether a customer has one account of it, and not one for each thing it is held for. */
    public function isOnePerCustomer(): bool
    {
        return $this === self::Deposit || $this === self::StoreCredit;
    }
}
