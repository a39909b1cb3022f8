<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Elmstone\Shop\House;

/**
 * On which days around a date people are reminded: below zero before it, above zero after it. As the program ships
 * until the office says otherwise.
 */
final readonly class ReminderDays
{
    private const SHIPPED = ['plan' => [-7, 0, 1, 3], 'layaway' => [-3, 1], 'expiry' => [-14, -3]];

    /**
     * @param  list<int>  $plan around each due date of a plan
     * @param  list<int>  $layaway around each due date of a layaway
     * @param  list<int>  $expiry around the last day of a layaway
     */
    private function __construct(public array $plan, public array $layaway, public array $expiry)
    {
    }

    public static function of(House $house): self
    {
        $days = [...self::SHIPPED, ...$house->shop()->reminder_days ?? []];

        return new self($days['plan'], $days['layaway'], $days['expiry']);
    }
}
