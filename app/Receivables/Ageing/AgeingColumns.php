<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;

/**
 * The columns of an ageing as a picture: as high as what stands in them, late ones hatched the closer the later, credit
 * hanging below the line.
 */
final class AgeingColumns
{
    private const HEIGHT = 120;

    private const COLUMN = 130;

    public static function svg(Ageing $ageing): string
    {
        $highest = array_reduce(
            AgeBand::cases(),
            static fn (Money $highest, AgeBand $band): Money => Money::max($highest, $ageing->in($band)->abs()),
            Money::zero($ageing->balance->currency),
        );
        $body = '<defs>';

        foreach (['1-30' => 9, '31-60' => 7, '61-90' => 5, 'over_90' => 3] as $band => $gap) {
            $body .= sprintf(
                '<pattern id="age-%1$s" width="%2$d" height="%2$d" patternUnits="userSpaceOnUse" '
                    .'patternTransform="rotate(45)"><rect width="%2$d" height="%2$d" fill="#f5ead4"/><line x1="1" '
                    .'y1="0" x2="1" y2="%2$d" stroke="#8a5e08" stroke-width="1.6"/></pattern>',
                $band,
                $gap,
            );
        }

        $body .= '</defs>';
        $below = $ageing->in(AgeBand::UnusedCredit)->isZero()
            ? 0
            : max(6, abs(Scale::of(self::HEIGHT, $ageing->in(AgeBand::UnusedCredit), $highest)));

        foreach (AgeBand::cases() as $i => $band) {
            $amount = $ageing->in($band);
            $height = $amount->isZero() ? 0 : max(2, abs(Scale::of(self::HEIGHT, $amount, $highest)));
            $top = $band === AgeBand::UnusedCredit ? self::HEIGHT + 20 : self::HEIGHT + 20 - $height;
            $fill = match ($band) {
                AgeBand::NotDue => '#8d8577',
                AgeBand::UnusedCredit => '#e3ecea',
                default => "url(#age-{$band->value})",
            };
            $x = $i * self::COLUMN + 14;
            $body .= sprintf(
                '<rect x="%d.5" y="%d.5" width="%d" height="%d" fill="%s" stroke="%s"/>',
                $x,
                $top,
                self::COLUMN - 44,
                $height,
                $fill,
                $band === AgeBand::UnusedCredit ? '#1e6a6c' : ($band === AgeBand::NotDue ? '#8d8577' : '#8a5e08'),
            );
            $body .= sprintf(
                '<text x="%d" y="%d" text-anchor="middle" class="sum">%s</text>',
                $x + intdiv(self::COLUMN - 44, 2),
                $band === AgeBand::UnusedCredit ? $top - 6 : $top - 6,
                $amount->isZero() ? '–' : Show::money($amount),
            );
            $body .= sprintf(
                '<text x="%d" y="%d" text-anchor="middle">%s</text>',
                $x + intdiv(self::COLUMN - 44, 2),
                self::HEIGHT + 20 + $below + 16,
                e($band->label()),
            );
        }

        $width = count(AgeBand::cases()) * self::COLUMN;
        $body .= sprintf(
            '<line x1="0" x2="%1$d" y1="%2$d.5" y2="%2$d.5" stroke="#26221d"/>',
            $width,
            self::HEIGHT + 20,
        );

        return sprintf(
            '<svg class="age-svg" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="img" '
                .'aria-label="%3$s">%4$s</svg>',
            $width,
            self::HEIGHT + 42 + $below,
            e(
                implode(
                    ', ',
                    array_map(
                        static fn (AgeBand $band): string => "{$band->label()} ".Show::money($ageing->in($band)),
                        AgeBand::cases(),
                    ),
                ),
            ),
            $body,
        );
    }
}
