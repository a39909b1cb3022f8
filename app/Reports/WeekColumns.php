<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Core\Forecast\WeekForecast;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;

/** Weeks as columns: what is expected filled, low and high as a line through it, what came as a mark. */
final class WeekColumns
{
    private const HEIGHT = 150;

    private const STEP = 104;

    /**
     * @param  list<WeekForecast>  $weeks
     * @param  list<Money>  $came of each, where it is over
     */
    public static function svg(array $weeks, array $came = []): string
    {
        if ($weeks === []) {
            return '';
        }

        $most = $weeks[0]->high;

        foreach ([...array_column($weeks, 'high'), ...array_column($weeks, 'expected'), ...$came] as $one) {
            $most = Money::max($most, $one);
        }

        $y = static fn (Money $amount): int => 20 + self::HEIGHT - Scale::of(self::HEIGHT, $amount, $most);
        [$drawn, $words] = ['', []];

        foreach ($weeks as $i => $week) {
            $x = $i * self::STEP + 12;
            $middle = $x + 36;
            $drawn .= sprintf(
                '<rect class="bar" x="%d" y="%d" width="72" height="%d"/><path class="band" d="M%6$d %4$dV%5$dM%7$d '
                    .'%4$dh16M%7$d %5$dh16"/>',
                $x, $y($week->expected), max(1, 20 + self::HEIGHT - $y($week->expected)), $y($week->high),
                $y($week->low), $middle, $middle - 8,
            );
            isset($came[$i]) && ($drawn .= sprintf(
                '<path class="came" d="M%d %dl6 6 -6 6 -6 -6z"/>', $middle, $y($came[$i]) - 6,
            ));
            $drawn .= sprintf(
                '<text class="figure" x="%1$d" y="%2$d">%3$s</text><text class="when" x="%1$d" y="%4$d">%5$s</text>',
                $middle, 20 + self::HEIGHT + 18, Show::money($week->expected), 20 + self::HEIGHT + 36,
                $week->from->format('j M'),
            );
            $words[] = "{$week->from->format('j M')}: {$week->expected->toString()}, between {$week->low->toString()} "
                ."and {$week->high->toString()}";
        }

        return sprintf(
            '<svg class="week-columns" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="img" aria-label="%3$s">'
                .'<line class="zero" x1="0" y1="%4$d" x2="%1$d" y2="%4$d"/>%5$s</svg>',
            count($weeks) * self::STEP, self::HEIGHT + 62, e('Expected by week. '.implode('; ', $words)),
            20 + self::HEIGHT, $drawn,
        );
    }
}
