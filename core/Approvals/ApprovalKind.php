<?php

declare(strict_types=1);

namespace Elmstone\Core\Approvals;

/** What somebody can be asked to allow. docs/rules.md, "Approvals", says what each covers. */
enum ApprovalKind: string
{
    case BelowFloor = 'below_floor';
    case OneOff = 'one_off';
    case Committed = 'committed';
    case Charge = 'charge';
    case OutsidePolicy = 'outside_policy';
    case WithoutOriginal = 'without_original';
    case RestockingFee = 'restocking_fee';
    case UnknownSerial = 'unknown_serial';
    case MoneyOut = 'money_out';
    case BlindCash = 'blind_cash';
    case OtherWay = 'other_way';
    case Void = 'void';
    case Credit = 'credit';
    case CardOffLine = 'card_off_line';
    case GiftCardWorth = 'gift_card_worth';
    case LayawayDeposit = 'layaway_deposit';
    case LayawayPayment = 'layaway_payment';
    case LayawayFee = 'layaway_fee';
    case LayawayEnd = 'layaway_end';
    case WriteOff = 'write_off';
    case CustomerTerms = 'customer_terms';
    case SaleTerms = 'sale_terms';
    case Journal = 'journal';
    case BadDebt = 'bad_debt';
    case RefusedWay = 'refused_way';
    case Surcharge = 'surcharge';

    /** "for a price below the floor" */
    public function words(): string
    {
        return match ($this) {
            self::BelowFloor => 'a price below the lowest',
            self::OneOff => 'a one-off line',
            self::Committed => 'goods set aside for others',
            self::Charge => 'a charge beyond what is allowed',
            self::OutsidePolicy => 'a return outside the policy',
            self::WithoutOriginal => 'goods back without a receipt',
            self::RestockingFee => 'the restocking fee let off',
            self::UnknownSerial => 'a serial number that did not leave with it',
            self::MoneyOut => 'money handed out',
            self::BlindCash => 'cash without a receipt',
            self::OtherWay => 'money back by another way',
            self::Void => 'a void',
            self::Credit => 'credit without goods',
            self::CardOffLine => 'a card keyed off line',
            self::GiftCardWorth => 'the worth of a gift card',
            self::LayawayDeposit => 'a smaller deposit',
            self::LayawayPayment => 'a smaller payment',
            self::LayawayFee => 'the cancellation fee let off',
            self::LayawayEnd => 'a layaway ended or extended',
            self::WriteOff => 'a write-off',
            self::CustomerTerms => 'a customer’s terms',
            self::SaleTerms => 'tax or price level of one sale',
            self::Journal => 'a journal entry',
            self::BadDebt => 'a debt written off',
            self::RefusedWay => 'a way of paying that is not taken',
            self::Surcharge => 'the card surcharge let off',
        };
    }
}
