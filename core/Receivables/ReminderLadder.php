<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Elmstone\Core\Money\Refused;

/**
 * After how many days late each reminder letter goes. An item goes up one level at a time, and never sooner after its
 * last letter than the two levels lie apart.
 */
final readonly class ReminderLadder
{
    public const MOST_LEVELS = 9;

    private const MOST_DAYS = 365;

    /** @param  list<int>  $after days late, level by level */
    private function __construct(public array $after)
    {
    }

    /**
     * @param  list<int>  $after days late, level by level, each later than the one before; none: no letters
     *
     * @throws Refused bad_levels
     */
    public static function of(array $after): self
    {
        $before = 0;

        foreach ($after as $days) {
            ($days > $before && $days <= self::MOST_DAYS && count($after) <= self::MOST_LEVELS)
                || throw Refused::because(
                    'bad_levels',
                    'Each letter goes after more days than the one before: 1 to '.self::MOST_DAYS.', and '
                        .self::MOST_LEVELS.' letters at most.',
                );
            $before = $days;
        }

        return new self($after);
    }

    /**
     * The level whose letter is due for an item.
     *
     * @param  int  $late days since it was due
     * @param  int  $sent how many letters were about it
     * @param  int|null  $since days since the last of them; null: there was none
     * @return int|null from 1; null: none yet, or none any more
     */
    public function due(int $late, int $sent, ?int $since): ?int
    {
        $after = $this->after[$sent] ?? null;

        if ($after === null || $late < $after) {
            return null;
        }

        $apart = $after - ($this->after[$sent - 1] ?? $after);

        return $since === null || $since >= $apart ? $sent + 1 : null;
    }
}
