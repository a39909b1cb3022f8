<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;

/**
 * What a document without goods moves: money in or out, to or from an account, a deposit or a layaway; a charge; a
 * plan.
 */
final readonly class MoneyEntry
{
    /**
     * @param  Money  $total what comes in or goes out; otherwise what the customer is charged with, or what changes its
     *     place
     * @param  Money  $settlementDiscount given with a payment, or taken back with its return; it is not in a payment's
     *     total
     * @param  Money  $fee the part of the total that is a fee
     * @param  Money  $deposit what it adds to the deposits held for the customer; below zero: it leaves them
     * @param  Money  $layaway what it adds to the layaway money held for them; below zero: it leaves
     * @param  Money  $giftCards what it adds to the gift cards owed
     * @param  Money  $storeCredit what it adds to the store credit owed them; below zero: it leaves
     */
    private function __construct(
        public Purpose $purpose,
        public Money $total,
        public Money $settlementDiscount,
        public Money $fee,
        public Money $deposit,
        public Money $layaway,
        public Money $giftCards,
        public Money $storeCredit,
    ) {
    }

    private static function plain(
        Purpose $purpose,
        Money $total,
        ?Money $discount = null,
        ?Money $fee = null,
        ?Money $deposit = null,
        ?Money $layaway = null,
        ?Money $giftCards = null,
        ?Money $storeCredit = null,
    ): self {
        $zero = Money::zero($total->currency);

        return new self(
            $purpose,
            $total,
            $discount ?? $zero,
            $fee ?? $zero,
            $deposit ?? $zero,
            $layaway ?? $zero,
            $giftCards ?? $zero,
            $storeCredit ?? $zero,
        );
    }

    /**
     * Money in: what is neither a deposit nor paid on a layaway goes towards the account.
     *
     * @param  Money|null  $deposit the part of it that is a deposit
     * @param  Money|null  $layaway the part of it that is paid on layaways
     * @param  Money|null  $giftCards the part of it gift cards are sold or topped up for
     */
    public static function payment(
        Money $total,
        Money $settlementDiscount,
        ?Money $deposit = null,
        ?Money $layaway = null,
        ?Money $giftCards = null,
    ): self {
        return self::plain(
            Purpose::Payment,
            $total,
            $settlementDiscount,
            deposit: $deposit,
            layaway: $layaway,
            giftCards: $giftCards,
        );
    }

    /**
     * @param  Money  $payment what the payment came to, its settlement discount not in it
     * @param  Money|null  $deposit the part of it that was a deposit
     * @param  Money|null  $layaway the part of it that was paid on layaways, and is still held
     * @param  Money|null  $giftCards the part of it that gift cards are still worth
     */
    public static function returned(
        Money $payment,
        Money $settlementDiscount,
        Money $fee,
        ?Money $deposit = null,
        ?Money $layaway = null,
        ?Money $giftCards = null,
    ): self {
        return self::plain(
            Purpose::ReturnedPayment,
            $payment->plus($settlementDiscount)->plus($fee),
            $settlementDiscount,
            $fee,
            $deposit?->negated(),
            $layaway?->negated(),
            $giftCards?->negated(),
        );
    }

    public static function financeCharge(Money $total): self
    {
        return self::plain(Purpose::FinanceCharge, $total);
    }

    /** Money that was held goes back. */
    public static function paidBack(Money $fromDeposits, Money $fromLayaways): self
    {
        return self::plain(
            Purpose::PaidBack,
            $fromDeposits->plus($fromLayaways),
            deposit: $fromDeposits->negated(),
            layaway: $fromLayaways->negated(),
        );
    }

    /** Store credit is paid out. */
    public static function storeCreditPaidOut(Money $amount): self
    {
        return self::plain(Purpose::PaidBack, $amount, storeCredit: $amount->negated());
    }

    /** Unused credit of an account is paid out. */
    public static function creditPaidOut(Money $amount): self
    {
        return self::plain(Purpose::CreditPaidOut, $amount);
    }

    /**
     * A settlement discount is taken back with the allocation that earned it, or with the goods: so much is owed again.
     */
    public static function discountTakenBack(Money $amount): self
    {
        return self::plain(Purpose::DiscountTakenBack, $amount, $amount);
    }

    /** The flat charge of a payment plan is let off with what comes back of its invoice. */
    public static function planLetOff(Money $amount): self
    {
        return self::plain(Purpose::PlanLetOff, $amount, $amount);
    }

    /**
     * A receipt of the same day was wrong: its money goes back as it came, and what it moved is moved back.
     *
     * @param  Money  $total what it came to
     */
    public static function receiptReversed(
        Money $total,
        Money $settlementDiscount,
        Money $deposit,
        Money $layaway,
        Money $giftCards,
    ): self {
        return self::plain(
            Purpose::ReceiptReversed,
            $total,
            $settlementDiscount,
            deposit: $deposit->negated(),
            layaway: $layaway->negated(),
            giftCards: $giftCards->negated(),
        );
    }

    /** Layaway money becomes a deposit. */
    public static function kept(Money $amount): self
    {
        return self::plain(Purpose::KeptAsDeposit, $amount, deposit: $amount, layaway: $amount->negated());
    }

    /** A plan takes over what is open. */
    public static function plan(Money $total): self
    {
        return self::plain(Purpose::Plan, $total);
    }

    public static function planPart(Money $total): self
    {
        return self::plain(Purpose::PlanPart, $total);
    }

    /** As it was stored. */
    public static function stored(
        Purpose $purpose,
        Money $total,
        Money $settlementDiscount,
        Money $fee,
        Money $deposit,
        Money $layaway,
        Money $giftCards,
        Money $storeCredit,
    ): self {
        return new self($purpose, $total, $settlementDiscount, $fee, $deposit, $layaway, $giftCards, $storeCredit);
    }

    /** What tenders bring in; below zero: it goes out. */
    public function tendered(): Money
    {
        return match ($this->purpose) {
            Purpose::Payment => $this->total,
            Purpose::PaidBack, Purpose::CreditPaidOut, Purpose::ReceiptReversed => $this->total->negated(),
            Purpose::ReturnedPayment => $this->total->minus($this->settlementDiscount)->minus($this->fee)->negated(),
            default => Money::zero($this->total->currency),
        };
    }

    /** What it does to the customer's balance. */
    public function onAccount(): Money
    {
        return match ($this->purpose) {
            Purpose::Payment => $this->total
                ->minus($this->deposit)
                ->minus($this->layaway)
                ->minus($this->giftCards)
                ->plus($this->settlementDiscount)
                ->negated(),
            Purpose::PaidBack, Purpose::KeptAsDeposit => Money::zero($this->total->currency),
            Purpose::ReturnedPayment => $this->total
                ->plus($this->deposit)
                ->plus($this->layaway)
                ->plus($this->giftCards),
            Purpose::ReceiptReversed => $this->total
                ->plus($this->settlementDiscount)
                ->plus($this->deposit)
                ->plus($this->layaway)
                ->plus($this->giftCards),
            Purpose::Plan, Purpose::PlanLetOff => $this->total->negated(),
            default => $this->total,
        };
    }
}
