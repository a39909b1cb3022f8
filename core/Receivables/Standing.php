<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** How an account stands at an instant, and whether it may be charged. docs/rules.md, "House accounts". */
final readonly class Standing
{
    /**
     * @param  Money  $balance open invoices and charges less unused payments and credits
     * @param  Money  $orders value of orders not yet invoiced that are to be charged
     * @param  int  $oldestOverdueDays how late the oldest unpaid item is; 0: nothing is late
     * @param  Money|null  $groupAvailable what the head office's limit leaves for all its branches; null: it has none
     */
    public function __construct(
        public Money $limit,
        public Money $balance,
        public Money $orders,
        public bool $onStop = false,
        public int $oldestOverdueDays = 0,
        public int $allowedOverdueDays = 0,
        public bool $purchaseOrderRequired = false,
        public ?Money $groupAvailable = null,
    ) {
        if ($limit->isNegative()) {
            throw Refused::because('bad_limit', 'A limit cannot be below zero.');
        }
    }

    public function exposure(): Money
    {
        return $this->balance->plus($this->orders);
    }

    public function available(): Money
    {
        return $this->groupBinds() && $this->groupAvailable !== null ? $this->groupAvailable : $this->own();
    }

    /** Whether the head office's limit leaves less than its own. */
    public function groupBinds(): bool
    {
        return $this->groupAvailable !== null && $this->own()->exceeds($this->groupAvailable);
    }

    private function own(): Money
    {
        return $this->limit->minus($this->exposure());
    }

    /** As it stands when so much of what is ordered is not counted any more. */
    public function released(Money $orders): self
    {
        return new self(
            $this->limit,
            $this->balance,
            $this->orders->minus($orders),
            $this->onStop,
            $this->oldestOverdueDays,
            $this->allowedOverdueDays,
            $this->purchaseOrderRequired,
            $this->groupAvailable?->plus($orders),
        );
    }

    public function isOverdue(): bool
    {
        return $this->oldestOverdueDays > $this->allowedOverdueDays;
    }

    /**
     * @param  string|null  $purchaseOrder the number given, if one was
     *
     * @throws Refused bad_amount when below zero
     */
    public function charge(Money $amount, ?string $purchaseOrder = null, bool $buyerAuthorised = true): ChargeDecision
    {
        if ($amount->isNegative()) {
            throw Refused::because('bad_amount', 'A charge cannot be below zero.');
        }

        $needsOrder = $this->purchaseOrderRequired && trim((string) $purchaseOrder) === '';
        $overBy = $amount->exceeds($this->available()) ? $amount->minus($this->available()) : null;
        $reasons = array_keys(
            array_filter([
                ChargeReason::OnStop->value => $this->onStop,
                ChargeReason::OverLimit->value => $overBy !== null,
                ChargeReason::Overdue->value => $this->isOverdue(),
                ChargeReason::PurchaseOrderRequired->value => $needsOrder,
                ChargeReason::BuyerNotAuthorised->value => ! $buyerAuthorised,
            ]),
        );

        return new ChargeDecision(array_map(ChargeReason::from(...), $reasons), $this->available(), $overBy);
    }

    /** What is decided where there is no account at all. */
    public static function withoutAccount(Money $amount): ChargeDecision
    {
        return new ChargeDecision([ChargeReason::NotAnAccount], Money::zero($amount->currency), null);
    }
}
