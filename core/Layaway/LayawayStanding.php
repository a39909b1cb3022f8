<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * Where a layaway stands once so much of it is paid: only the sum of the payments counts, never how they were split.
 */
final readonly class LayawayStanding
{
    private function __construct(
        public Money $total,
        public Money $minDeposit,
        public Money $paid,
        public Money $remaining,
        public Money $minPayment,
        public Money $fee,
        public Money $refund,
    ) {
    }

    /**
     * @param  Money  $total what the goods come to, tax in it
     * @param  list<Money>  $payments the deposit among them
     *
     * @throws Refused bad_amount, over_paid
     */
    public static function of(Money $total, LayawayTerms $terms, array $payments): self
    {
        if ($total->isNegative()) {
            throw Refused::because('bad_amount', 'What is set aside cannot come to less than nothing.');
        }

        foreach ($payments as $payment) {
            if ($payment->isNegative()) {
                throw Refused::because('bad_amount', 'A payment cannot be below zero.');
            }
        }

        $paid = Money::sum($payments, $total->currency);

        if ($paid->exceeds($total)) {
            throw Refused::because(
                'over_paid',
                "The payments come to {$paid->toString()}, more than the {$total->toString()} that is to be paid.",
            );
        }

        $remaining = $total->minus($paid);
        $fee = Money::min($terms->cancellationFee->ofSum($total), $paid);

        return new self(
            $total,
            $terms->minDeposit->ofSum($total),
            $paid,
            $remaining,
            $terms->minPayment->ofSum($remaining),
            $fee,
            $paid->minus($fee),
        );
    }

    public function isPaidInFull(): bool
    {
        return $this->remaining->isZero();
    }
}
