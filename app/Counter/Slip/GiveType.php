<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\Approve;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Casts\MoneyCast;

/** A customer's type lowers prices, so who may not change prices gives one only where somebody else allows it. */
final class GiveType
{
    public function __construct(private readonly Approve $approve)
    {
    }

    /**
     * @param  int|null  $type null: none, which anybody may give
     *
     * @throws Refused needs_approval, own_approval
     */
    public function assertMayGive(?int $type, string $name, Act $act): void
    {
        if ($type === null || $act->by->mayDo(Ability::EditPrices)) {
            return;
        }

        $refused = Refused::because(
            'needs_approval',
            'A type changes prices. Add them without one, or somebody who may allow it types their number below.',
        );
        $scope = Scope::of(ApprovalKind::CustomerTerms)->naming('name', $name)->naming('type', $type);
        $this->approve->handle(
            $act->approval ?? throw $refused,
            $act->by,
            new Need(
                'new-customer',
                $scope,
                $refused,
                "{$name} is made a customer of type {$type}",
                LimitMatter::OutsidePolicy,
                MoneyCast::read(0),
            ),
            null,
        );
    }
}
