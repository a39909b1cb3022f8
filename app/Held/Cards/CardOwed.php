<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Show;

/** A gift card, and what was owed on it as of a day. */
final readonly class CardOwed
{
    /** @param  CarbonImmutable|null  $expires its last day; null: none */
    public function __construct(
        public int $id,
        public string $lastFour,
        public CarbonImmutable $issued,
        public ?CarbonImmutable $expires,
        public bool $isBlocked,
        public Money $owed,
    ) {
    }

    public function until(): string
    {
        return $this->expires === null ? 'no end' : Show::date($this->expires);
    }

    /** Why it cannot be used; empty: it can. */
    public function hindrance(CarbonImmutable $day): string
    {
        return match (true) {
            $this->isBlocked => 'blocked',
            $this->expires?->lessThan($day->startOfDay()) === true => 'expired',
            default => '',
        };
    }
}
