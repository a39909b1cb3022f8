<?php

declare(strict_types=1);

namespace Elmstone\Books;

/** What a document is for; with it goes how its journal is made up. */
enum Purpose: string
{
    case Sale = 'sale';
    case Payment = 'payment';
    case ReturnedPayment = 'returned_payment';
    case FinanceCharge = 'finance_charge';
    case PaidBack = 'paid_back';
    case KeptAsDeposit = 'kept_as_deposit';
    case Fee = 'fee';
    case Plan = 'plan';
    case PlanPart = 'plan_part';
    case Void = 'void';
    case WriteOff = 'write_off';
    case CreditPaidOut = 'credit_paid_out';
    case DiscountTakenBack = 'discount_back';
    case PlanLetOff = 'plan_let_off';
    case ReceiptReversed = 'receipt_reversed';
    case WriteOffReversed = 'write_off_back';
    case GoodsIn = 'goods_in';
    case OpeningStock = 'opening_stock';
    case Revaluation = 'revaluation';
    case FloatIn = 'float_in';
    case FloatOut = 'float_out';
    case ToSafe = 'to_safe';
    case TillOver = 'till_over';
    case TillShort = 'till_short';
    case CashUp = 'cash_up';
    case CashDrop = 'cash_drop';
    case PettyCash = 'petty_cash';
    case PaidIn = 'paid_in';
    case CashFetched = 'cash_fetched';
    case SafeOver = 'safe_over';
    case SafeShort = 'safe_short';
    case CardPayout = 'card_payout';
    case BankCredited = 'bank_credited';
    case BankShort = 'bank_short';
    case BankOver = 'bank_over';
    case GoodsSent = 'goods_sent';
    case GoodsArrived = 'goods_arrived';
    case GoodsMissing = 'goods_missing';
    case SupplierInvoice = 'supplier_invoice';
    case SupplierOver = 'supplier_over';
    case SupplierUnder = 'supplier_under';
    case CommissionPaid = 'commission_paid';
    case ByHand = 'by_hand';
    case YearEnd = 'year_end';
    case YearReopened = 'year_reopened';
    case BadDebt = 'bad_debt';
    case DebtRevived = 'debt_revived';
    case SmallDifference = 'small_difference';
    case MovedOff = 'moved_off';
    case MovedOn = 'moved_on';
    case OpeningOwed = 'opening_owed';
    case OpeningCredit = 'opening_credit';
    case OpeningHeld = 'opening_held';
    case PostedInError = 'posted_in_error';
    case Reward = 'reward';
    case OwnerPaid = 'owner_paid';
    case OwnerCredited = 'owner_credited';
    case GoodsToOwner = 'goods_to_owner';

    /** Whether it has lines, so that its journal is that of a sale. */
    public function hasLines(): bool
    {
        return $this->isGoodsOnly() || in_array($this, [self::Sale, self::Fee, self::Void], true);
    }

    /** Whether the tenders of a document without goods go out. */
    public function paysOut(): bool
    {
        return in_array(
            $this,
            [
                self::PaidBack, self::CreditPaidOut, self::ReceiptReversed, self::ReturnedPayment, self::FloatOut,
                self::ToSafe, self::TillShort, self::CashDrop, self::PettyCash, self::PaidIn, self::CardPayout,
                self::SafeShort, self::CommissionPaid, self::OwnerPaid,
            ],
            true,
        );
    }

    /** Whether it puts money into a drawer or takes some out, beside all customers. */
    public function isOfADrawer(): bool
    {
        return in_array(
            $this,
            [...self::settingDrawers(), ...self::movingCash(), self::CommissionPaid, self::OwnerPaid],
            true,
        );
    }

    /** @return list<self> those that open and close a drawer, and are nothing that came or went in its session */
    public static function settingDrawers(): array
    {
        return [self::FloatIn, self::FloatOut, self::ToSafe, self::TillOver, self::TillShort];
    }

    /** @return list<self> those by which cash comes and goes in a session besides sales */
    public static function movingCash(): array
    {
        return [self::CashUp, self::CashDrop, self::PettyCash];
    }

    /** @return list<self> those whose cash comes out of the safe or goes into it, and passes no drawer */
    public static function ofTheSafe(): array
    {
        return [self::PaidIn, self::CashFetched, self::SafeOver, self::SafeShort];
    }

    /** @return list<self> those by which money goes from the safe to the bank, or is met there */
    public static function ofTheBank(): array
    {
        return [
            self::PaidIn, self::CashFetched, self::SafeOver, self::SafeShort, self::CardPayout, self::BankCredited,
            self::BankShort, self::BankOver,
        ];
    }

    /** @return list<self> those by which what came in is owed to its supplier */
    public static function ofSuppliers(): array
    {
        return [self::SupplierInvoice, self::SupplierOver, self::SupplierUnder];
    }

    /** @return list<self> those that say themselves what they do to the accounts, and move nothing else */
    public static function ofTheLedger(): array
    {
        return [self::ByHand, self::YearEnd, self::YearReopened];
    }

    /** @return list<self> those that take something off an account, and move no money */
    public static function takingOffAccounts(): array
    {
        return [self::BadDebt, self::SmallDifference, self::MovedOff, self::OpeningCredit];
    }

    /** @return list<self> those that put something onto an account, and move no money */
    public static function puttingOntoAccounts(): array
    {
        return [self::DebtRevived, self::MovedOn, self::OpeningOwed, self::PostedInError];
    }

    /** @return list<self> those by which a payment that was posted is taken back, as if it had not come */
    public static function takingPaymentsBack(): array
    {
        return [self::ReturnedPayment, self::ReceiptReversed, self::PostedInError];
    }

    /** @return list<self> those by which the credit they refer to is used up: that is not there to be spread anew */
    public static function usingCreditUp(): array
    {
        return [...self::takingPaymentsBack(), self::CreditPaidOut, self::MovedOn];
    }

    /** @return list<self> those whose journal is said account by account, and stands as it was said */
    public static function saidThemselves(): array
    {
        return [...self::ofTheLedger(), ...self::takingOffAccounts(), ...self::puttingOntoAccounts()];
    }

    /** @return list<self> those that close a year, and open it again */
    public static function ofTheYear(): array
    {
        return [self::YearEnd, self::YearReopened];
    }

    /** @return list<self> those by which no customer's money comes or goes: safe, bank, suppliers, ledger */
    public static function besideCustomers(): array
    {
        return [...self::ofTheBank(), ...self::ofSuppliers(), ...self::ofTheLedger()];
    }

    /** @return list<self> those by which money of the house only changes its place */
    public static function changingPlace(): array
    {
        return [
            self::FloatIn, self::FloatOut, self::ToSafe, self::CashUp, self::CashDrop,
            ...array_filter(
                self::ofTheBank(),
                static fn (self $one): bool => ! in_array($one, [self::SafeOver, self::SafeShort], true),
            ),
        ];
    }

    /** @return list<self> those that hand what was taken back as it came, cheques too */
    public static function handingBack(): array
    {
        return [self::ReceiptReversed, self::Void];
    }

    /** Whether a cheque that goes out by it is one that had come in. */
    public function movesCheques(): bool
    {
        return in_array($this, [...self::handingBack(), self::TillShort, self::PaidIn], true);
    }

    /** Whether it moves goods or their worth at cost, and no money. */
    public function isGoodsOnly(): bool
    {
        return in_array(
            $this,
            [
                self::WriteOff, self::WriteOffReversed, self::GoodsIn, self::OpeningStock, self::Revaluation,
                self::GoodsSent, self::GoodsArrived, self::GoodsMissing, self::GoodsToOwner,
            ],
            true,
        );
    }

    /** @return list<self> those that nobody gets a paper of over the counter: goods at cost, drawers, safe and bank */
    public static function withNobody(): array
    {
        return [
            ...self::goodsOnly(), ...self::settingDrawers(), ...self::movingCash(), ...self::besideCustomers(),
            self::CommissionPaid, self::OwnerPaid,
        ];
    }

    /** @return list<self> those that say what goods cost */
    public static function goodsOnly(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $one): bool => $one->isGoodsOnly()));
    }

    /** What a document without lines does. */
    public function words(?string $refersTo): string
    {
        return match ($this) {
            self::ReturnedPayment => "Payment {$refersTo} came back",
            self::FinanceCharge => 'Finance charge',
            self::PaidBack => 'Money held is paid back',
            self::CreditPaidOut => 'Unused credit is paid out',
            self::DiscountTakenBack => 'Settlement discount is taken back',
            self::PlanLetOff => 'Charge of a payment plan is let off',
            self::ReceiptReversed => "Receipt {$refersTo} is taken back",
            self::GoodsIn => 'Goods came in',
            self::OpeningStock => 'Goods that were there',
            self::Revaluation => 'Stock is worth something else',
            self::GoodsSent => 'Goods left for another location',
            self::GoodsArrived => 'Goods came from another location',
            self::GoodsMissing => 'Goods were lost on the way',
            self::FloatIn => 'Float from the safe',
            self::FloatOut => 'Float back to the safe',
            self::ToSafe => 'Takings to the safe',
            self::TillOver => 'More was counted than expected',
            self::TillShort => 'Less was counted than expected',
            self::CashUp => 'More cash from the safe',
            self::CashDrop => 'Cash dropped into the safe',
            self::PettyCash => 'Petty cash is paid out',
            self::CommissionPaid => 'Commission is paid out',
            self::ByHand => 'Entered by hand',
            self::YearEnd => 'The year’s profit is closed',
            self::BadDebt => "Written off: {$refersTo} will not be paid",
            self::DebtRevived => "Owed again: {$refersTo}",
            self::SmallDifference => "A small difference on {$refersTo} is let off",
            self::MovedOff => "Moved to another account: {$refersTo}",
            self::MovedOn => "Moved from another account: {$refersTo}",
            self::OpeningOwed => 'Owed from before',
            self::OpeningCredit => 'Credit from before',
            self::OpeningHeld => 'Owed on a card from before',
            self::PostedInError => "{$refersTo} never came",
            self::Reward => 'Points became store credit',
            self::OwnerPaid => 'The owner of goods is paid',
            self::OwnerCredited => 'What an owner of goods has is kept as store credit',
            self::GoodsToOwner => 'Goods went back to their owner',
            self::YearReopened => "The year closed by {$refersTo} is opened again",
            self::PaidIn => 'Paid in to the bank',
            self::CashFetched => 'Cash from the bank for the safe',
            self::SafeOver => 'More was counted in the safe than expected',
            self::SafeShort => 'Less was counted in the safe than expected',
            self::CardPayout => 'Card takings are paid out to the bank',
            self::BankCredited => "The bank credited {$refersTo}",
            self::BankShort => "The bank credited less than {$refersTo}",
            self::BankOver => "The bank credited more than {$refersTo}",
            self::SupplierInvoice => 'A supplier’s invoice for goods that came in',
            self::SupplierOver => 'A supplier’s invoice is above what came in',
            self::SupplierUnder => 'A supplier’s invoice is below what came in',
            self::WriteOff => 'Goods are written off',
            self::WriteOffReversed => "Write-off {$refersTo} is taken back",
            self::KeptAsDeposit => 'Layaway money is kept as a deposit',
            self::Plan => 'Taken over by a payment plan',
            self::PlanPart => 'Part of a payment plan',
            default => 'Paid on account',
        };
    }

    public function title(DocumentKind $kind): string
    {
        return match ($this) {
            self::Sale => $kind->title(),
            self::Payment => 'Receipt',
            self::ReturnedPayment => 'Returned payment',
            self::FinanceCharge => 'Finance charge',
            self::PaidBack => 'Paid back',
            self::KeptAsDeposit => 'Kept as deposit',
            self::Fee => 'Fee',
            self::Plan => 'Payment plan',
            self::PlanPart => 'Part of a plan',
            self::Void => 'Void',
            self::WriteOff => 'Write-off',
            self::CreditPaidOut => 'Credit paid out',
            self::DiscountTakenBack => 'Discount taken back',
            self::PlanLetOff => 'Plan charge let off',
            self::ReceiptReversed => 'Receipt taken back',
            self::WriteOffReversed => 'Write-off taken back',
            self::GoodsIn => 'Goods in',
            self::OpeningStock => 'Opening stock',
            self::Revaluation => 'Stock revalued',
            self::GoodsSent => 'Transfer out',
            self::GoodsArrived => 'Transfer in',
            self::GoodsMissing => 'Lost on the way',
            self::FloatIn => 'Float in',
            self::FloatOut => 'Float out',
            self::ToSafe => 'To the safe',
            self::TillOver => 'Till over',
            self::TillShort => 'Till short',
            self::CashUp => 'Cash from the safe',
            self::CashDrop => 'Drop into the safe',
            self::PettyCash => 'Petty cash',
            self::CommissionPaid => 'Commission paid',
            self::ByHand => 'Journal entry',
            self::YearEnd => 'Year end',
            self::BadDebt => 'Bad debt',
            self::DebtRevived => 'Owed again',
            self::SmallDifference => 'Small difference',
            self::MovedOff => 'Moved off',
            self::MovedOn => 'Moved on',
            self::OpeningOwed, self::OpeningCredit, self::OpeningHeld => 'Opening item',
            self::PostedInError => 'Posted in error',
            self::Reward => 'Reward',
            self::OwnerPaid, self::OwnerCredited => 'Settlement with an owner',
            self::GoodsToOwner => 'Back to their owner',
            self::YearReopened => 'Year opened again',
            self::PaidIn => 'Paying-in',
            self::CashFetched => 'Cash from the bank',
            self::SafeOver => 'Safe over',
            self::SafeShort => 'Safe short',
            self::CardPayout => 'Card payout',
            self::BankCredited => 'Credited by the bank',
            self::BankShort => 'Bank credited less',
            self::BankOver => 'Bank credited more',
            self::SupplierInvoice => 'Supplier’s invoice',
            self::SupplierOver => 'Supplier’s invoice above',
            self::SupplierUnder => 'Supplier’s invoice below',
        };
    }
}
