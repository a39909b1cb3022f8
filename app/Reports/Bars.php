<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Support\Scale;

/**
 * The first figure of a report as bars, longest to the scale, what is below nothing to the left of the line, what
 * another period had as an outline behind. The figures stand beside; nothing depends on colour.
 */
final class Bars
{
    private const MOST = 24;

    private const WIDTH = 860;

    private const NAME = 230;

    private const FIGURE = 110;

    private const ROW = 24;

    public static function svg(Answer $answer): string
    {
        $figure = $answer->figures[0];
        $entries = array_slice(array_values(array_filter(
            $answer->entries,
            static fn (Entry $entry): bool => $figure->of($entry->figures) !== null,
        )), 0, self::MOST);

        if ($entries === [] || $figure->kind === FigureKind::Text || $figure->kind === FigureKind::Ratio) {
            return '';
        }

        $of = static fn (Entry $entry): int => self::int($figure->of($entry->figures));
        $had = static fn (Entry $entry): int => $answer->before === null ? 0 : self::int($answer->had($entry));
        $all = [...array_map($of, $entries), ...array_map($had, $entries)];
        [$most, $least] = [max(1, ...$all), min(0, ...$all)];
        $room = self::WIDTH - self::NAME - self::FIGURE - 20;
        $zero = self::NAME + 10 + Scale::to($room, -$least, $most - $least);
        $drawn = '';
        $words = [];

        foreach ($entries as $i => $entry) {
            $long = static fn (int $value): int => Scale::to($room, $value, $most - $least);
            $drawn .= self::row(
                $i * self::ROW, $zero, $long($of($entry)), $answer->before === null ? null : $long($had($entry)),
                $entry->label, $figure->shown($entry->figures, $answer->currency),
            );
            $words[] = $entry->label.': '.$figure->shown($entry->figures, $answer->currency);
        }

        $height = count($entries) * self::ROW + 4;

        return sprintf(
            '<svg class="bars" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="img" aria-label="%3$s">%4$s'
                .'<line class="zero" x1="%5$d" y1="0" x2="%5$d" y2="%2$d"/></svg>',
            self::WIDTH, $height, e("{$figure->head}. ".implode('; ', $words)), $drawn, $zero,
        );
    }

    private static function row(int $top, int $zero, int $long, ?int $had, string $label, string $figure): string
    {
        $bar = static fn (string $class, int $length, int $y, int $height): string => sprintf(
            '<rect class="%s" x="%d" y="%d" width="%d" height="%d"/>',
            $class, $length < 0 ? $zero + $length : $zero, $y, max(1, abs($length)), $height,
        );

        return ($had === null ? '' : $bar('had', $had, $top + 2, self::ROW - 6))
            .$bar('bar', $long, $top + 6, self::ROW - 14)
            .sprintf(
                '<text class="what" x="%d" y="%d">%s</text><text class="figure" x="%d" y="%d">%s</text>',
                self::NAME, $top + 16, e(mb_strimwidth($label, 0, 34, '…')), self::WIDTH - 4, $top + 16, e($figure),
            );
    }

    private static function int(mixed $value): int
    {
        return is_numeric($value) ? (int) $value : 0;
    }
}
