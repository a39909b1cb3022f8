<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Support\Scale;

/** The payment on one side, open items on the other, a band between them as thick as the amount. */
final class MeetingLines
{
    public const ROW = 44;

    private const WIDTH = 150;

    private const CARD = 300;

    private const THICKEST = 34;

    private const SHADES = ['#a8a195', '#bab1a4', '#cac3b7'];

    public static function svg(PaymentPage $page): string
    {
        $values = $page->items->values();
        $height = max(self::CARD, count($values) * self::ROW) + 2;
        $whole = $page->amount;
        $body = '';
        $left = 0;
        $shown = 0;

        foreach ($values as $row => $item) {
            $share = $page->spread->on($item->id);

            if ($share === null || $share->amount->isZero()) {
                continue;
            }

            $from = Scale::of(self::CARD, $share->amount, $whole);
            $to = max(2, min(self::THICKEST, Scale::of(self::THICKEST * 2, $share->amount, $whole)));
            $paid = $share->settles()->equals($item->open);
            $body .= self::band(
                $left,
                $left + max(2, $from - 2),
                $row * self::ROW + intdiv(self::ROW - $to, 2),
                $to,
                $paid ? self::SHADES[$shown % 3] : '#d7e5e2',
            );
            $left += $from;
            $shown++;
        }

        return sprintf(
            '<svg class="meeting" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" aria-hidden="true">%3$s</svg>',
            self::WIDTH,
            $height,
            $body,
        );
    }

    private static function band(int $top, int $bottom, int $rightTop, int $thickness, string $fill): string
    {
        $middle = intdiv(self::WIDTH, 2);
        $rightBottom = $rightTop + $thickness;

        return sprintf(
            '<path d="M0 %1$d C%5$d %1$d %5$d %3$d %6$d %3$d L%6$d %4$d C%5$d %4$d %5$d %2$d 0 %2$d Z" fill="%7$s"/>',
            $top, $bottom, $rightTop, $rightBottom, $middle,
            self::WIDTH,
            $fill,
        );
    }
}
