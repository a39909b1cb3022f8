<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Carbon\CarbonImmutable;
use Elmstone\Books\GoodsTo;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Returns\Policies;
use Elmstone\Returns\ReturnPolicy;

/** Under which terms the lines of a slip come back: policy, whether it is kept to, whether a fee is kept. */
final readonly class ReturnTerms
{
    /** @var array<int, int|null> by item */
    private array $ownPolicies;

    public function __construct(private Slip $slip)
    {
        $this->ownPolicies = Policies::ofItems($slip->returns->pluck('item_id')->all());
    }

    /** The policy its item has, or its department, or the house. */
    public function policy(ReturnOnSlip $line): ReturnPolicy
    {
        return app(Policies::class)->for($this->ownPolicies[$line->item_id ?? 0] ?? null, $line->department_id);
    }

    /** Why a line needs approval; empty: it does not. */
    public function outside(ReturnOnSlip $line): string
    {
        $origin = $line->origin();

        $outside = $origin === null ? '' : $this->policy($line)->outside($this->soldOn($line), $this->slip->day());

        return match (true) {
            $this->slip->void_of_id !== null => '',
            $line->goods_to === GoodsTo::None => 'a credit without goods',
            $outside !== '' => $outside,
            $origin !== null => $line->receipt_shown || $this->isTheirs($line) ? '' : 'no receipt was shown',
            $line->item_id === null => 'not in the list, at a price that is typed',
            ! $this->policy($line)->returnable => 'not taken back, and without a receipt',
            default => 'without a receipt',
        };
    }

    /** Whether it was sold to the customer the slip is for. */
    private function isTheirs(ReturnOnSlip $line): bool
    {
        return $this->slip->customer_id !== null
            && ($this->slip->originals[$line->origin_document_id ?? 0] ?? null)?->customer_id !== null;
    }

    /** Whether a restocking fee is kept: not where the goods or the sale were wrong. */
    public function asksFee(ReturnOnSlip $line): bool
    {
        return $line->goods_to !== GoodsTo::None
            && $this->slip->void_of_id === null
            && $line->reason->keepsFee()
            && $this->policy($line)->hasFee();
    }

    /** The day it was sold on. */
    public function soldOn(ReturnOnSlip $line): CarbonImmutable
    {
        return CarbonImmutable::parse(
            (string) ($this->slip->originals[$line->origin_document_id ?? 0] ?? null)?->business_date->format('Y-m-d'),
        );
    }
}
