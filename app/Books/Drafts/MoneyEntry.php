<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Books\HeldKind;
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
     * @param  array<string, Money>  $held what it adds to what is held, by kind; below zero: it leaves
     */
    private function __construct(
        public Purpose $purpose,
        public Money $total,
        public Money $settlementDiscount,
        public Money $fee,
        private array $held,
    ) {
    }

    /** @param  array<string, Money>  $held by kind */
    private static function plain(
        Purpose $purpose,
        Money $total,
        ?Money $discount = null,
        ?Money $fee = null,
        array $held = [],
    ): self {
        $zero = Money::zero($total->currency);

        return new self($purpose, $total, $discount ?? $zero, $fee ?? $zero, $held);
    }

    /**
     * Money in: what is not held goes towards the account.
     *
     * @param  array<string, Money>  $held the parts of it that are held from now on, by kind
     */
    public static function payment(Money $total, Money $settlementDiscount, array $held = []): self
    {
        return self::plain(Purpose::Payment, $total, $settlementDiscount, held: $held);
    }

    /**
     * @param  Money  $payment what the payment came to, its settlement discount not in it
     * @param  array<string, Money>  $held the parts of it that are still held, by kind
     */
    public static function returned(Money $payment, Money $settlementDiscount, Money $fee, array $held = []): self
    {
        return self::plain(
            Purpose::ReturnedPayment,
            $payment->plus($settlementDiscount)->plus($fee),
            $settlementDiscount,
            $fee,
            self::negated($held),
        );
    }

    public static function financeCharge(Money $total): self
    {
        return self::plain(Purpose::FinanceCharge, $total);
    }

    /** Money that was held goes back. */
    public static function paidBack(HeldKind $kind, Money $amount): self
    {
        return self::plain(Purpose::PaidBack, $amount, held: [$kind->value => $amount->negated()]);
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
     * @param  array<string, Money>  $held what it had brought, by kind
     */
    public static function receiptReversed(Money $total, Money $settlementDiscount, array $held): self
    {
        return self::plain(Purpose::ReceiptReversed, $total, $settlementDiscount, held: self::negated($held));
    }

    /** What was paid on an agreement becomes a deposit. */
    public static function kept(Money $amount, HeldKind $from = HeldKind::Layaway): self
    {
        return self::plain(
            Purpose::KeptAsDeposit,
            $amount,
            held: [HeldKind::Deposit->value => $amount, $from->value => $amount->negated()],
        );
    }

    /**
     * What the owner of goods has of what was sold is paid.
     *
     * @param  Money  $fee of cards, passed on to them; it is not in what is paid
     */
    public static function ownerPaid(Money $amount, Money $fee): self
    {
        return self::plain(Purpose::OwnerPaid, $amount, fee: $fee);
    }

    /** The same, kept for them as store credit. */
    public static function ownerCredited(Money $amount, Money $fee): self
    {
        return self::plain(Purpose::OwnerCredited, $amount, fee: $fee, held: [HeldKind::StoreCredit->value => $amount]);
    }

    /** What was owed on a card, say, before these books. */
    public static function openingHeld(HeldKind $kind, Money $amount): self
    {
        return self::plain(Purpose::OpeningHeld, $amount, held: [$kind->value => $amount]);
    }

    /** Points became store credit. */
    public static function reward(Money $amount): self
    {
        return self::plain(Purpose::Reward, $amount, held: [HeldKind::StoreCredit->value => $amount]);
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

    /** What is put into a drawer or taken out of it, or goes between safe and bank, beside all customers. */
    public static function drawer(Purpose $purpose, Money $amount): self
    {
        return self::plain($purpose, $amount);
    }

    /** What an entry by hand comes to: its debits. Its journal is its own. */
    public static function ofTheLedger(Purpose $purpose, Money $amount): self
    {
        return self::plain($purpose, $amount);
    }

    /** What a supplier asks for what came in, or what that is above or below it. */
    public static function ofSupplier(Purpose $purpose, Money $amount): self
    {
        return self::plain($purpose, $amount);
    }

    /**
     * The acquirer pays out what was taken by card, less its fee.
     *
     * @param  Money  $taken the fee in it
     */
    public static function cardPayout(Money $taken, Money $fee): self
    {
        return self::plain(Purpose::CardPayout, $taken, fee: $fee);
    }

    /**
     * As it was stored.
     *
     * @param  array<string, Money>  $held by kind
     */
    public static function stored(
        Purpose $purpose,
        Money $total,
        Money $settlementDiscount,
        Money $fee,
        array $held,
    ): self {
        return new self($purpose, $total, $settlementDiscount, $fee, $held);
    }

    /** What it adds to what is held of a kind, what is used of it as a tender not counted. */
    public function held(HeldKind $kind): Money
    {
        return $this->held[$kind->value] ?? Money::zero($this->total->currency);
    }

    /**
     * @param  array<string, Money>  $held
     * @return array<string, Money>
     */
    private static function negated(array $held): array
    {
        return array_map(static fn (Money $amount): Money => $amount->negated(), $held);
    }

    /** What tenders bring in; below zero: it goes out. */
    public function tendered(): Money
    {
        return match ($this->purpose) {
            Purpose::Payment, Purpose::FloatIn, Purpose::TillOver, Purpose::CashUp, Purpose::CashFetched,
            Purpose::SafeOver, Purpose::BankCredited => $this->total,
            Purpose::PaidBack, Purpose::CreditPaidOut, Purpose::ReceiptReversed, Purpose::FloatOut, Purpose::ToSafe,
            Purpose::TillShort, Purpose::CashDrop, Purpose::PettyCash, Purpose::CommissionPaid, Purpose::OwnerPaid,
            Purpose::PaidIn,
            Purpose::CardPayout, Purpose::SafeShort => $this->total->negated(),
            Purpose::ReturnedPayment => $this->total->minus($this->settlementDiscount)->minus($this->fee)->negated(),
            default => Money::zero($this->total->currency),
        };
    }

    /** What it does to the customer's balance. */
    public function onAccount(): Money
    {
        $held = Money::sum($this->held, $this->total->currency);

        if ($this->purpose->isOfADrawer() || in_array($this->purpose, Purpose::besideCustomers(), true)) {
            return Money::zero($this->total->currency);
        }

        return match ($this->purpose) {
            Purpose::Payment => $this->total->minus($held)->plus($this->settlementDiscount)->negated(),
            Purpose::PaidBack, Purpose::KeptAsDeposit, Purpose::Reward, Purpose::OpeningHeld,
            Purpose::OwnerCredited => Money::zero($this->total->currency),
            Purpose::ReturnedPayment => $this->total->plus($held),
            Purpose::ReceiptReversed => $this->total->plus($this->settlementDiscount)->plus($held),
            Purpose::Plan, Purpose::PlanLetOff, Purpose::BadDebt, Purpose::SmallDifference, Purpose::MovedOff,
            Purpose::OpeningCredit => $this->total->negated(),
            default => $this->total,
        };
    }
}
