<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;

/** Sales hour by hour as columns with a curve over them, the figures below. */
final class DayCurve
{
    private const HEIGHT = 110;

    private const STEP = 52;

    /** @param  array<int, Money>  $hours net by hour */
    public static function svg(array $hours): string
    {
        if ($hours === []) {
            return '';
        }

        $most = array_reduce(
            $hours,
            static fn (Money $most, Money $one): Money => Money::max($most, $one->abs()),
            reset($hours)->abs(),
        );
        $width = count($hours) * self::STEP;
        [$columns, $texts, $points, $words, $i] = ['', '', [], [], 0];

        foreach ($hours as $hour => $net) {
            $x = $i++ * self::STEP;
            $height = max(0, Scale::of(self::HEIGHT, $net, $most));
            $top = self::HEIGHT - $height + 16;
            $middle = $x + intdiv(self::STEP, 2);
            $points[] = "{$middle},{$top}";
            $columns .= sprintf(
                '<rect class="hour" x="%d" y="%d" width="%d" height="%d"/>',
                $x + 6,
                $top,
                self::STEP - 12,
                $height,
            );
            $texts .= sprintf(
                '<text class="what" x="%1$d" y="%2$d">%3$s</text><text class="when" x="%1$d" y="%4$d">%5$02d</text>',
                $middle,
                $top - 4,
                $net->isZero() ? '' : Show::money($net),
                self::HEIGHT + 32,
                $hour,
            );
            $words[] = sprintf('%02d: %s', $hour, $net->toString());
        }

        return '<svg class="day-curve" viewBox="0 0 '.$width.' '.(self::HEIGHT + 40).'" width="'.$width
            .'" height="'.(self::HEIGHT + 40).'" role="img" aria-label="Sales by the hour: '.implode(', ', $words).'">'
            ."{$columns}<polyline class=\"curve\" points=\"".implode(' ', $points)."\"/>{$texts}</svg>";
    }
}
