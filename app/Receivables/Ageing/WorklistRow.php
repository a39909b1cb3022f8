<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\AgeBand;

/** Somebody to call, and why now. */
final readonly class WorklistRow
{
    public function __construct(public AgedAccount $account, public ?Call $last, private CarbonImmutable $day)
    {
    }

    /** @return int the lower, the sooner */
    public function urgency(): int
    {
        return match (true) {
            $this->last?->isBroken($this->day) === true => 0,
            $this->last?->call_again_on !== null && $this->last->call_again_on->lessThanOrEqualTo($this->day) => 1,
            $this->last === null => 2,
            $this->waits() => 4,
            default => 3,
        };
    }

    /** Since when it is to be done: the promise that was broken, the call that was agreed; null: it only is late. */
    public function since(): ?CarbonImmutable
    {
        return match ($this->urgency()) {
            0 => $this->last?->promised_on,
            1 => $this->last?->call_again_on,
            default => null,
        };
    }

    public function waits(): bool
    {
        return ($this->last?->promised_on !== null && $this->last->promised_on->greaterThanOrEqualTo($this->day))
            || ($this->last?->call_again_on !== null && $this->last->call_again_on->greaterThan($this->day));
    }

    public function over60(): Money
    {
        return $this->account->ageing->in(AgeBand::To90)->plus($this->account->ageing->in(AgeBand::Over90));
    }

    public function why(): string
    {
        return match ($this->urgency()) {
            0 => 'promise broken',
            1 => 'call again today',
            2 => 'not called yet',
            4 => 'waits',
            default => 'called before',
        };
    }
}
