<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\HoldDraft;
use Elmstone\Counter\Parts\OrderDraft;
use Elmstone\Counter\Parts\QuoteDraft;

/** What a reckoned slip says beyond its sums, each by a class of its own. */
trait SaysMore
{
    /** What posting it does, in words. */
    public function postWords(): string
    {
        return (new SlipWords($this, $this->house))->post();
    }

    /** What the sum due is made up of, where it is not the sale alone. */
    public function inWords(): string
    {
        return (new SlipWords($this, $this->house))->due();
    }

    /** What the agreement says; null where the slip is not to be held. */
    public function layaway(): ?HoldDraft
    {
        return HoldDraft::of($this, $this->house);
    }

    /** What the order says; null where the slip is not to become one. */
    public function order(): ?OrderDraft
    {
        return OrderDraft::of($this, $this->house);
    }

    /** What the quote says; null where the slip is not to become one. */
    public function quote(): ?QuoteDraft
    {
        return QuoteDraft::of($this, $this->house);
    }

    /** What each way can still pay. */
    public function due(): StillDue
    {
        return new StillDue($this, $this->house);
    }

    /** What its lines cost, where they stand against floor and cost, what it earns. */
    public function figures(): LineFigures
    {
        return new LineFigures($this, $this->house);
    }

    public function charge(): ?ChargeCheck
    {
        return $this->slip->charge === null || $this->isRefund()
            ? null
            : ChargeCheck::of($this->slip, $this->slip->charge, $this->refund?->charged());
    }

    /**
     * Why it cannot be posted now, in the order a clerk would deal with it.
     *
     * @return list<Refused>
     */
    public function hindrances(): array
    {
        return (new Hindrances($this, $this->house))->all();
    }
}
