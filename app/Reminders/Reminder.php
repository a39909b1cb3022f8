<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;

/** One reminder that is due: of what, to whom, how many days before or after the date. */
final readonly class Reminder
{
    /**
     * @param  int  $id of the plan or layaway
     * @param  int  $days before (below zero) or after the due date, as the settings have it
     * @param  int  $late days since it was due; below zero: until it is
     * @param  Money  $open what is to be paid by then
     */
    public function __construct(
        public About $about,
        public int $id,
        public string $label,
        public int $customerId,
        public string $customer,
        public string $phone,
        public string $mail,
        public CarbonImmutable $due,
        public int $days,
        public Money $open,
        public int $late,
    ) {
    }

    public function key(): string
    {
        return "{$this->about->value}:{$this->id}:{$this->due->format('Y-m-d')}:{$this->days}";
    }

    /** As of the day it is sent: "due in 7 days", "due today", "3 days late" */
    public function when(): string
    {
        $days = abs($this->late);
        $count = $days === 1 ? '1 day' : "{$days} days";
        $verb = $this->about === About::Expiry ? 'ends' : 'due';

        return match (true) {
            $this->late < 0 => "{$verb} in {$count}",
            $this->late === 0 => "{$verb} today",
            default => $this->about === About::Expiry ? "ended {$count} ago" : "{$count} late",
        };
    }
}
