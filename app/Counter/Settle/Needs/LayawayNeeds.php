<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** A deposit below the least of a layaway being made, payments on layaways below the least. */
final class LayawayNeeds extends NeedsOf
{
    public function all(): array
    {
        return [...$this->ofDeposit(), ...$this->ofPayments()];
    }

    /** @return list<Need> a deposit below the least */
    private function ofDeposit(): array
    {
        $draft = $this->reckoned->layaway();
        $short = $draft === null ? null : $draft->standing()->minDeposit->minus($draft->deposit());

        if ($draft === null || $short === null || ! $short->isPositive() || ! $draft->deposit()->isPositive()) {
            return [];
        }

        $scope = Scope::of(ApprovalKind::LayawayDeposit)
            ->naming('customer', $this->slip->customer_id)
            ->upTo('total', $draft->total())
            ->upTo('short', $short);

        return [
            new Need(
                'hold',
                $scope,
                Refused::because(
                    'below_least_deposit',
                    "The deposit is at least {$draft->standing()->minDeposit->toString()}. "
                        .$this->limits->whoMayApprove(LimitMatter::Charge, $short),
                ),
                "{$this->slip->customer_name}: a layaway of "
                    .Show::money($draft->total())
                    .' with a deposit of '
                    .Show::money($draft->deposit()),
                LimitMatter::Charge,
                $short,
            ),
        ];
    }

    /** @return list<Need> payments on layaways below the least */
    private function ofPayments(): array
    {
        $needs = [];

        foreach ($this->slip->layawayParts() as $part) {
            $layaway = $this->slip->layaway($part->layawayId);
            $least = $layaway?->state->isOpen() === true && $part->amount->isPositive()
                    ? $layaway->standing()->minPayment
                    : null;

            if ($layaway !== null && $least !== null && $least->exceeds($part->amount)) {
                $short = $least->minus($part->amount);
                $scope = Scope::of(ApprovalKind::LayawayPayment)
                    ->naming('layaway', $layaway->id)
                    ->upTo('total', $layaway->total)
                    ->upTo('short', $short);
                $needs[] = new Need(
                    "layaway.{$layaway->id}",
                    $scope,
                    Refused::because(
                        'below_least_payment',
                        "The payment on {$layaway->label} is at least {$least->toString()}. "
                            .$this->limits->whoMayApprove(LimitMatter::Charge, $short),
                    ),
                    "{$layaway->label}: "
                        .Show::money($part->amount)
                        .', less than the least payment',
                    LimitMatter::Charge,
                    $short,
                );
            }
        }

        return $needs;
    }
}
