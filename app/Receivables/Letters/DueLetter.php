<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Accounts\HouseAccount;

/** A reminder letter that is to go to an account: at the highest level of what it is about. */
final readonly class DueLetter
{
    /**
     * @param  HouseAccount  $account with its customer
     * @param  non-empty-list<LateItem>  $items all that is late, the longest first
     * @param  CarbonImmutable|null  $promised they promised to pay by this day, which is not over
     */
    public function __construct(
        public HouseAccount $account,
        public LetterLevel $level,
        public array $items,
        public ?CarbonImmutable $promised,
    ) {
    }

    public function total(): Money
    {
        return Money::sum(
            array_map(static fn (LateItem $item): Money => $item->open, $this->items),
            $this->level->fee->currency,
        );
    }

    public function oldest(): int
    {
        return max(array_map(static fn (LateItem $item): int => $item->daysLate, $this->items));
    }
}
