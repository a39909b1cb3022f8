<?php

declare(strict_types=1);

namespace Elmstone\Support;

use DateTimeImmutable;
use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\Rung;
use Elmstone\Core\Layaway\RungState;

/**
 * The instalment ladder: a rung for each payment with its date and amount, filled as far as it is met; missed ones
 * hatched and named, the next one in a heavy frame, today as a line across. Readable without colour.
 */
final class LadderPicture
{
    private const ROW = 26;

    private const LEFT = 92;

    private const RAIL = 132;

    private const WIDTH = 372;

    public static function svg(
        Ladder $ladder,
        DateTimeImmutable $today,
        string $name = 'Payments as they fall due',
    ): string {
        $y = 4;
        $body = self::pattern();
        $isTodayDrawn = false;

        foreach ($ladder->rungs as $rung) {
            if (! $isTodayDrawn && $rung->due->format('Y-m-d') >= $today->format('Y-m-d')) {
                $body .= self::today($y);
                $y += 12;
                $isTodayDrawn = true;
            }

            $body .= self::rung($rung, $y);
            $y += self::ROW;
        }

        if (! $isTodayDrawn) {
            $body .= self::today($y);
            $y += 12;
        }

        $rails = sprintf(
            '<path d="M%1$d.5 0V%3$d M%2$d.5 0V%3$d" stroke="#8d8577"/>',
            self::LEFT,
            self::LEFT + self::RAIL,
            $y,
        );

        return sprintf(
            '<svg class="ladder-svg" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="img" '
                .'aria-label="%3$s">%4$s%5$s</svg>',
            self::WIDTH,
            $y,
            e($name.': '.self::words($ladder)),
            $rails,
            $body,
        );
    }

    private static function rung(Rung $rung, int $y): string
    {
        $wide = $rung->amount->isZero()
            ? self::RAIL
            : Scale::of(self::RAIL, $rung->met, $rung->amount);
        $frame = match ($rung->state) {
            RungState::Missed => 'fill="url(#missed)" stroke="#9c3324"',
            RungState::Next => 'fill="#fdfcf9" stroke="#1e6a6c" stroke-width="2.5"',
            RungState::Met => 'fill="none" stroke="#5f594f"',
            RungState::Later => 'fill="#fdfcf9" stroke="#bab1a4"',
        };
        $middle = $y + 15;

        return sprintf(
            '<text x="%d" y="%d" text-anchor="end">%s</text>',
            self::LEFT - 10,
            $middle,
            e(Show::date($rung->due)),
        )
            .sprintf('<rect x="%d" y="%d" width="%d" height="14" %s/>', self::LEFT, $y + 4, self::RAIL, $frame)
            .($wide > 0
                ? sprintf('<rect x="%d" y="%d" width="%d" height="14" fill="#5f594f"/>', self::LEFT, $y + 4, $wide)
                : '')
            .sprintf(
                '<text x="%d" y="%d" text-anchor="end" class="figure">%s</text>',
                self::LEFT + self::RAIL + 72,
                $middle,
                Show::money($rung->amount),
            )
            .sprintf(
                '<text x="%d" y="%d" class="%s">%s</text>',
                self::LEFT + self::RAIL + 80,
                $middle,
                $rung->state->value,
                e(self::word($rung)),
            );
    }

    private static function word(Rung $rung): string
    {
        $part = $rung->isPartlyMet() ? ', '.Show::money($rung->open()).' left' : '';

        return match ($rung->state) {
            RungState::Met => '✓',
            RungState::Later => ltrim($part, ', '),
            default => $rung->isPartlyMet() ? Show::money($rung->open()).' left' : $rung->state->value,
        };
    }

    private static function today(int $y): string
    {
        return sprintf(
            '<path d="M%d %d.5H%d" stroke="#1e6a6c" stroke-dasharray="4 3"/><text x="%4$d" y="%5$d" text-anchor="end" '
                .'class="now">today</text>',
            self::LEFT - 6,
            $y + 6,
            self::LEFT + self::RAIL + 6,
            self::LEFT - 10,
            $y + 10,
        );
    }

    private static function pattern(): string
    {
        return '<defs><pattern id="missed" width="6" height="6" patternUnits="userSpaceOnUse" '
            .'patternTransform="rotate(45)"><rect width="6" height="6" fill="#f7e3df"/><path d="M0 0V6" '
            .'stroke="#9c3324" stroke-width="1.5"/></pattern></defs>';
    }

    private static function words(Ladder $ladder): string
    {
        return implode(
            '; ',
            array_map(
                static fn (Rung $rung): string => Show::date($rung->due)
                    .' '
                    .Show::money($rung->amount)
                    .' '
                    .($rung->isPartlyMet()
                        ? 'partly met, '.Show::money($rung->open()).' left'
                        : $rung->state->value),
                $ladder->rungs,
            ),
        );
    }
}
