<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Shop\House;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;

/**
 * The settlement as a picture: the total as a length, each tender taking its piece, what is left open, change hanging
 * over the end.
 */
final class SettlementBar
{
    private const WIDTH = 288;

    /** Each tender has a shade and a hatch of its own place, and its name below it. */
    private const SHADES = ['#5f594f', '#8d8577', '#b9b1a1', '#d3ccbe'];

    public static function svg(ReckonedCounter $reckoned, House $house): string
    {
        if ($reckoned->payable()->isZero() && $reckoned->tenders() === []) {
            return '<svg class="bar-svg" viewBox="0 0 288 34" aria-hidden="true"><rect x="0.5" y="0.5" width="287" '
                .'height="17" fill="none" stroke="#d8d2c6"/></svg>';
        }

        $zero = Money::zero($house->currency());
        $total = $reckoned->payable()->abs();
        $change = $reckoned->settlement->change ?? $zero;
        $applied = $reckoned->settlement->applied ?? $reckoned->tenders();
        $given = Money::sum(
            array_map(static fn (Tender $tender): Money => $tender->amount, $applied),
            $house->currency(),
        )->plus($change);
        $whole = Money::max($total, $given);
        $end = Scale::of(self::WIDTH, $total, $whole);
        $body = sprintf(
            '<rect x="0.5" y="0.5" width="%d" height="17" fill="none" stroke="#c9c1b2"/>',
            max(1, $end - 1),
        );
        $x = 0;

        foreach ($applied as $i => $tender) {
            $width = Scale::of(self::WIDTH, $tender->amount, $whole);
            $body .= sprintf(
                '<rect x="%d" y="0" width="%d" height="18" fill="%s"/>',
                $x,
                $width,
                self::SHADES[$i % count(self::SHADES)],
            );
            $body
                .= $width > 26
                    ? sprintf('<text x="%d" y="31">%s</text>', $x, e(mb_strtolower($tender->kind->label())))
                    : '';
            $x += $width;
        }

        if ($change->isPositive()) {
            $body .= sprintf(
                '<rect x="%d.5" y="3.5" width="%d" height="11" fill="none" stroke="#1e6a6c" stroke-dasharray="3 2"/>',
                $end,
                max(2, self::WIDTH - $end - 1),
            );
            $body .= sprintf(
                '<text x="%d" y="31" text-anchor="end">change %s</text>',
                self::WIDTH,
                Show::money($change),
            );
        } elseif ($reckoned->outstanding()->isPositive()) {
            $body .= sprintf(
                '<text class="left" x="%d" y="31" text-anchor="end">left %s</text>',
                self::WIDTH,
                Show::money($reckoned->outstanding()),
            );
        }

        return sprintf(
            '<svg class="bar-svg" viewBox="0 0 %d 34" role="img" aria-label="%s">%s</svg>',
            self::WIDTH,
            e(self::words($applied, $reckoned->outstanding(), $change)),
            $body,
        );
    }

    /** @param  list<Tender>  $applied */
    private static function words(array $applied, Money $left, Money $change): string
    {
        $words = array_map(
            static fn (Tender $tender): string => "{$tender->kind->label()} ".Show::money($tender->amount),
            $applied,
        );

        return implode(', ', [
            ...$words,
            $left->isPositive()
                ? 'left '.Show::money($left)
                : ($change->isPositive()
                    ? 'change '.Show::money($change)
                    : 'nothing left'),
        ]);
    }
}
