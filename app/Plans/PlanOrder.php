<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;

/** A plan as somebody wants it made. */
final readonly class PlanOrder
{
    /** @param  string  $key idempotency key */
    public function __construct(
        public int $invoiceId,
        public PlanTerms $terms,
        public CarbonImmutable $firstDue,
        public string $key,
    ) {
    }
}
