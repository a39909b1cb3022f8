<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** Something that goes no further until somebody else allows it. */
final readonly class Need
{
    /**
     * @param  string  $place where it is on the slip or the page: "line.12", "charge", "refund"
     * @param  string  $words what is to be allowed, as the record says it
     * @param  LimitMatter  $matter whose limits say how much an approver may allow
     * @param  Money  $amount what is measured against those limits
     */
    public function __construct(
        public string $place,
        public Scope $scope,
        public Refused $refused,
        public string $words,
        public LimitMatter $matter,
        public Money $amount,
    ) {
    }
}
