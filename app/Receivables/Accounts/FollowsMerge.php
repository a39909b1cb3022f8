<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

/**
 * A room that keeps something of a customer which goes to the other when two are merged. Inside the merge's
 * transaction.
 */
interface FollowsMerge
{
    public function merge(int $from, int $into): void;
}
