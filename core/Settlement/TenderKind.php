<?php

declare(strict_types=1);

namespace Elmstone\Core\Settlement;

/** The ways of paying within one settlement. */
enum TenderKind: string
{
    case Cash = 'cash';
    case Card = 'card';
    case Cheque = 'cheque';
    case BankTransfer = 'bank_transfer';
    case GiftCard = 'gift_card';
    case StoreCredit = 'store_credit';
    case DepositHeld = 'deposit_held';
    case HouseAccount = 'house_account';
    case LayawayMoney = 'layaway_money';
    case OrderMoney = 'order_money';
    case Exchange = 'exchange';

    public function label(): string
    {
        return match ($this) {
            self::Cash => 'Cash',
            self::Card => 'Card',
            self::Cheque => 'Cheque',
            self::BankTransfer => 'Bank transfer',
            self::GiftCard => 'Gift card',
            self::StoreCredit => 'Store credit',
            self::DepositHeld => 'Deposit held',
            self::HouseAccount => 'House account',
            self::LayawayMoney => 'Paid on layaway',
            self::OrderMoney => 'Paid on the order',
            self::Exchange => 'Goods brought back',
        };
    }
}
