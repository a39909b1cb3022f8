<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;

/** What of one kind on a slip goes no further until somebody else allows it. */
abstract class NeedsOf
{
    protected readonly Slip $slip;

    final public function __construct(
        protected readonly ReckonedCounter $reckoned,
        protected readonly House $house,
        protected readonly Limits $limits,
    ) {
        $this->slip = $reckoned->slip;
    }

    /** @return list<Need> in the order a clerk would deal with them */
    abstract public function all(): array;

    /** Who stands at the till. */
    protected function by(): Staff
    {
        return $this->slip->by ??= Staff::query()->findOrFail($this->slip->staff_id);
    }
}
