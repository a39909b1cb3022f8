<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

/** What a role's limits are about: each way money can leave the house, and whatever else is given away. */
enum LimitMatter: string
{
    case Cash = 'cash';
    case Card = 'card';
    case Cheque = 'cheque';
    case BankTransfer = 'bank_transfer';
    case GiftCard = 'gift_card';
    case StoreCredit = 'store_credit';
    case HouseAccount = 'house_account';
    case DepositHeld = 'deposit_held';
    case StoreCreditPaid = 'store_credit_paid';
    case Goodwill = 'goodwill';
    case WithoutOriginal = 'without_original';
    case OutsidePolicy = 'outside_policy';
    case Void = 'void';
    case GiftCardWorth = 'gift_card_worth';
    case CardOffLine = 'card_off_line';
    case OneOff = 'one_off';
    case BelowFloor = 'below_floor';
    case Charge = 'charge';
    case WriteOff = 'write_off';
    case Journal = 'journal';
    case BadDebt = 'bad_debt';

    /** By which money leaves the house; accumulated over documents. */
    public function isWayOut(): bool
    {
        return in_array(
            $this,
            [
                self::Cash,
                self::Card,
                self::Cheque,
                self::BankTransfer,
                self::GiftCard,
                self::StoreCredit,
                self::HouseAccount,
                self::DepositHeld,
            ],
            true,
        );
    }

    /** Whether it is also counted over a person's day. */
    public function isCountedByDay(): bool
    {
        return $this->isWayOut()
            || in_array($this, [self::StoreCreditPaid, self::Goodwill, self::CardOffLine, self::WriteOff], true);
    }

    public function words(): string
    {
        return match ($this) {
            self::Cash => 'Cash handed out',
            self::Card => 'Paid back to a card',
            self::Cheque => 'Our cheque',
            self::BankTransfer => 'Bank transfer',
            self::GiftCard => 'Put on a gift card',
            self::StoreCredit => 'Given as store credit',
            self::HouseAccount => 'Credited to an account',
            self::DepositHeld => 'Kept as a deposit',
            self::StoreCreditPaid => 'Store credit paid out',
            self::Goodwill => 'Credit without goods',
            self::WithoutOriginal => 'Goods back without a receipt',
            self::OutsidePolicy => 'Returns outside the policy, fees let off',
            self::Void => 'Sale taken back whole',
            self::GiftCardWorth => 'Worth of one gift card',
            self::CardOffLine => 'Card keyed off line',
            self::OneOff => 'One-off lines of a slip',
            self::BelowFloor => 'Below the lowest price, by',
            self::Charge => 'Charged beyond what is allowed',
            self::WriteOff => 'Written off, at cost',
            self::Journal => 'Journal entries by hand',
            self::BadDebt => 'Debts written off',
        };
    }
}
