<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;

/** An exemption, a price level or a tax place of a sale's own, where who posts it may not give one. */
final class TermsNeeds extends NeedsOf
{
    public function all(): array
    {
        $slip = $this->slip;

        if (! $slip->own_terms || $this->by()->mayDo(Ability::SetSaleTerms)) {
            return [];
        }

        return [new Need(
            'terms',
            Scope::of(ApprovalKind::SaleTerms)
                ->naming('customer', $slip->customer_id)
                ->naming('certificate', $slip->own_certificate)
                ->naming('level', $slip->own_level_id)
                ->naming('place', $slip->own_place_id)
                ->naming('reason', $slip->own_reason)
                ->upTo('goods', $this->reckoned->goods()),
            Refused::because('needs_approval', 'Tax or price level of its own for this sale: a supervisor or the '
                .'office can allow it.'),
            $slip->ownTerms(),
            LimitMatter::OutsidePolicy,
            $this->house->money(0),
        )];
    }
}
