<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Elmstone\Core\Money\Money;

/** Whether an account may be charged with an amount, and every reason why not. */
final readonly class ChargeDecision
{
    /**
     * @param  list<ChargeReason>  $reasons
     * @param  Money  $available limit − exposure; below zero: over the limit already
     * @param  Money|null  $overBy how far the amount goes beyond what is available; null: it does not
     */
    public function __construct(public array $reasons, public Money $available, public ?Money $overBy)
    {
    }

    public function isAllowed(): bool
    {
        return $this->reasons === [];
    }

    public function isRefused(): bool
    {
        return array_filter($this->reasons, static fn (ChargeReason $reason): bool => $reason->refuses()) !== [];
    }

    public function has(ChargeReason $reason): bool
    {
        return in_array($reason, $this->reasons, true);
    }

    /** allowed, needs_approval or refused */
    public function word(): string
    {
        return match (true) {
            $this->isRefused() => 'refused',
            $this->isAllowed() => 'allowed',
            default => 'needs_approval',
        };
    }
}
