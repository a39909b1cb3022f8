<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\RefusedWays;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** Money by a way that is not taken from the customer. */
final class WayNeeds extends NeedsOf
{
    public function all(): array
    {
        $refused = RefusedWays::of($this->slip->customer);
        $needs = [];

        foreach ($refused->why === [] || $this->reckoned->isRefund() ? [] : $this->reckoned->drafts() as $draft) {
            $kind = $draft->tender->kind;

            if ($refused->why($kind) !== null) {
                $needs[] = new Need(
                    "way.{$kind->value}",
                    Scope::of(ApprovalKind::RefusedWay)
                        ->naming('customer', $this->slip->customer_id)
                        ->naming('way', $kind->value)
                        ->upTo('amount', $draft->tender->amount),
                    Refused::because('way_refused', $refused->words($kind).' A supervisor or the office can allow it.'),
                    Show::money($draft->tender->amount).' by '.mb_strtolower($kind->label())
                        ." of {$this->slip->customer_name}",
                    LimitMatter::Charge,
                    $draft->tender->amount,
                );
            }
        }

        return $needs;
    }
}
