<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

/** Which of the customer's accounts posting a slip changes, and must lock. */
trait SlipTouches
{
    /** Whether posting it changes the customer's account, which must then be locked. */
    public function touchesAccount(): bool
    {
        return $this->customer_id !== null
            && ($this->charge !== null || $this->on_account !== null || $this->takesBack() || $this->chargesOrders());
    }

    /** Whether an order is made or supplied by it that is charged. */
    private function chargesOrders(): bool
    {
        return $this->orderParts() !== []
            || ($this->becomes === Becomes::Order && $this->promise?->is_charged === true);
    }

    /** Whether posting it changes what is held for the customer in deposits. */
    public function touchesDeposits(): bool
    {
        return $this->customer_id !== null
            && ($this->deposit_in !== null || $this->deposit_used !== null || isset($this->back['deposit_held'])
                || $this->orderParts() !== []);
    }

    /** Whether posting it changes the customer's store credit. */
    public function touchesStoreCredit(): bool
    {
        return $this->customer_id !== null && ($this->store_credit_used !== null || isset($this->back['store_credit']));
    }
}
