<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;

/** What a document without goods moves: a payment, its return, a charge. */
final readonly class MoneyEntry
{
    /**
     * @param  Money  $total a payment: what came in; otherwise what the customer is charged with
     * @param  Money  $settlementDiscount given with a payment, or taken back with its return; it is not in a payment's total
     * @param  Money  $fee the part of the total that is a fee
     */
    private function __construct(public Purpose $purpose, public Money $total, public Money $settlementDiscount, public Money $fee)
    {
    }

    public static function payment(Money $total, Money $settlementDiscount): self
    {
        return new self(Purpose::Payment, $total, $settlementDiscount, Money::zero($total->currency));
    }

    /** @param  Money  $payment what the payment came to, its settlement discount not in it */
    public static function returned(Money $payment, Money $settlementDiscount, Money $fee): self
    {
        return new self(Purpose::ReturnedPayment, $payment->plus($settlementDiscount)->plus($fee), $settlementDiscount, $fee);
    }

    public static function financeCharge(Money $total): self
    {
        return new self(Purpose::FinanceCharge, $total, Money::zero($total->currency), Money::zero($total->currency));
    }

    /** As it was stored. */
    public static function stored(Purpose $purpose, Money $total, Money $settlementDiscount, Money $fee): self
    {
        return new self($purpose, $total, $settlementDiscount, $fee);
    }

    /** What tenders bring in; below zero: it goes out again. */
    public function tendered(): Money
    {
        return match ($this->purpose) {
            Purpose::Payment => $this->total,
            Purpose::ReturnedPayment => $this->total->minus($this->settlementDiscount)->minus($this->fee)->negated(),
            default => Money::zero($this->total->currency),
        };
    }

    /** What it does to the customer's balance. */
    public function onAccount(): Money
    {
        return $this->purpose === Purpose::Payment ? $this->total->plus($this->settlementDiscount)->negated() : $this->total;
    }
}
