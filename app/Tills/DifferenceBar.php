<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;

/**
 * A difference as a length on both sides of a post, all ways of paying on one scale: to the left it is short (hatched),
 * to the right it is over (solid).
 */
final class DifferenceBar
{
    private const HALF = 70;

    /** @param  Collection<int, CountedWay>  $all on whose scale it is drawn */
    public static function svg(CountedWay $way, Collection $all): string
    {
        $off = $way->difference();
        $largest = array_reduce(
            $all->all(),
            static fn (Money $most, CountedWay $one): Money => Money::max($most, $one->difference()->abs()),
            Money::zero($off->currency),
        );
        $length = $off->isZero() ? 0 : max(2, Scale::of(self::HALF - 4, $off->abs(), $largest));
        $words = $off->isZero() ? 'nothing off' : Show::money($off->abs()).($off->isNegative() ? ' short' : ' over');

        return sprintf(
            '<svg width="%d" height="18" role="img" aria-label="%s"><line x1="%3$d.5" y1="1" x2="%3$d.5" y2="17" '
                .'stroke="#26221d" stroke-width="1.5"/>%4$s</svg>',
            2 * self::HALF,
            "{$way->way->label()}: {$words}",
            self::HALF,
            match (true) {
                $length === 0 => '',
                $off->isNegative() => sprintf(
                    '<rect x="%d" y="4" width="%d" height="10" fill="#f6e3df" stroke="#9c3324" stroke-width="1.5"/>',
                    self::HALF - $length,
                    $length,
                ),
                default => sprintf(
                    '<rect x="%d" y="4" width="%d" height="10" fill="#8a5e08"/>',
                    self::HALF + 1,
                    $length,
                ),
            },
        );
    }
}
