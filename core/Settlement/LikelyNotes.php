<?php

declare(strict_types=1);

namespace Elmstone\Core\Settlement;

use Elmstone\Core\Money\Money;

/** What a customer is likely to hand over in cash for a sum: the exact sum, then the round sums their notes come to. */
final readonly class LikelyNotes
{
    /**
     * @param  list<Money>  $notes the notes in use, any order
     * @return list<Money> rising, the exact sum first, at most four
     */
    public static function for(Money $due, array $notes): array
    {
        if (! $due->isPositive()) {
            return [];
        }

        $sums = [$due->minor];

        foreach ($notes as $note) {
            $sums[] = intdiv($due->minor + $note->minor - 1, $note->minor) * $note->minor;
        }

        sort($sums);

        return array_map(
            static fn (int $minor): Money => Money::ofMinor($minor, $due->currency),
            array_slice(array_values(array_unique($sums)), 0, 4),
        );
    }
}
