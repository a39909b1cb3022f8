<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\Money\OrderPayments;
use Elmstone\Orders\Supply\SupplyCharge;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** An order that is charged beyond what is allowed, its deposit below the least, supplies beyond the limit. */
final class OrderNeeds extends NeedsOf
{
    public function all(): array
    {
        return [...$this->ofNewOrder(), ...$this->ofSupplies()];
    }

    /** @return list<Need> */
    private function ofNewOrder(): array
    {
        $draft = $this->reckoned->order();
        $needs = [];

        if ($draft === null) {
            return [];
        }

        $check = $draft->charge();

        if ($check !== null && ! $check->decision->isAllowed() && ! $check->decision->isRefused()) {
            $needs[] = new Need(
                'order',
                $check->scope(),
                $check->refused()[0],
                Show::money($check->amount).' ordered to be charged',
                LimitMatter::OutsidePolicy,
                $check->amount,
            );
        }

        $short = $draft->leastDeposit()->minus($draft->deposit());

        if ($short->isPositive()) {
            $needs[] = new Need(
                'order',
                Scope::of(ApprovalKind::LayawayDeposit)
                    ->naming('customer', $this->slip->customer_id)
                    ->upTo('total', $draft->total())
                    ->upTo('short', $short),
                Refused::because(
                    'below_least',
                    'The least deposit is '.Show::money($draft->leastDeposit()).'. A supervisor can approve less.',
                ),
                'order deposit '.Show::money($draft->deposit()).' instead of '.Show::money($draft->leastDeposit()),
                LimitMatter::OutsidePolicy,
                $short,
            );
        }

        return $needs;
    }

    /** @return list<Need> */
    private function ofSupplies(): array
    {
        $needs = [];

        foreach ($this->slip->orderParts() as $part) {
            $order = $this->slip->orders[$part->orderId] ?? null;

            if ($order === null || ! $order->is_charged || $part->leaving->isEmpty()) {
                continue;
            }

            try {
                array_push($needs, ...app(SupplyCharge::class)->needs(
                    $order,
                    app(OrderPayments::class)->total($this->slip, $part),
                    $this->slip->account?->account,
                    "order.{$order->id}",
                ));
            } catch (Refused) {
                // What nobody may allow, as an account on stop, is said by the part itself and hinders the posting.
                continue;
            }
        }

        return $needs;
    }
}
