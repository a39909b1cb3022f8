<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use DateTimeImmutable;

/** How often an instalment falls due. */
enum Rhythm: string
{
    case Week = 'week';
    case Fortnight = 'fortnight';
    case Month = 'month';

    /**
     * The due date this many steps after the first. A month keeps the first date's day, or takes the month's last where
     * it has none.
     */
    public function after(DateTimeImmutable $first, int $steps): DateTimeImmutable
    {
        return match ($this) {
            self::Week => $first->modify('+'. 7 * $steps.' days'),
            self::Fortnight => $first->modify('+'. 14 * $steps.' days'),
            self::Month => self::months($first, $steps),
        };
    }

    private static function months(DateTimeImmutable $first, int $steps): DateTimeImmutable
    {
        $month = $first->modify('first day of this month')->modify("+{$steps} months");
        $day = min((int) $first->format('j'), (int) $month->format('t'));

        return $month->setDate((int) $month->format('Y'), (int) $month->format('n'), $day);
    }
}
