<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;

/** When, by whom and why amounts are set against each other. */
final readonly class Setting
{
    /** @param  string  $act one for everything that is set in one go */
    public function __construct(
        public CarbonImmutable $day,
        public int $staffId,
        public string $act,
        public string $reason = '',
    ) {
    }

    public static function by(Staff $staff, CarbonImmutable $day, string $act, string $reason = ''): self
    {
        return new self($day, $staff->id, $act, mb_substr($reason, 0, 255));
    }
}
