<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;

/** Discounts as people type them, as columns keep them, and as values. */
final class Reductions
{
    /**
     * "5", "7.5" and "5 %" are a percentage; "2.00 off", "-2" and "2.00", written out as money is, an amount. Nothing
     * or 0 is no discount. The page says the same while it is typed (off.js).
     *
     * @throws Refused amount_too_large, and what is no number or percentage
     */
    public static function typed(string $text, House $house): ?Reduction
    {
        $text = trim($text);

        $amount = self::amount($text, $house->currency()->places);

        if ($amount !== null) {
            $amount = $house->fitting(Money::of(TypedNumber::plain($amount), $house->currency()));

            return $amount->isZero() ? null : Reduction::amount($amount);
        }

        $percent = trim(rtrim($text, "% \u{00A0}"));

        if ($percent === '' || $percent === '–') {
            return null;
        }

        $reduction = Reduction::percent(TypedNumber::plain($percent));

        return $reduction->percent?->value->isZero() === true ? null : $reduction;
    }

    /**
     * The number in what is typed, where it is an amount.
     *
     * @param  int  $places of the currency
     */
    private static function amount(string $text, int $places): ?string
    {
        $isAmount = preg_match('/^[-−–]?\s*(.+?)\s*\boff$/iu', $text, $parts) === 1
            || preg_match('/^[-−–]\s*([\d.,·٫\s]+)$/u', $text, $parts) === 1
            || ($places > 0 && preg_match("/^(\\d+[.,]\\d{{$places}})$/", $text, $parts) === 1);

        return $isAmount ? trim($parts[1] ?? '') : null;
    }

    /** @return array{discount_percent: string|null, discount_amount: Money|null} */
    public static function columns(?Reduction $reduction): array
    {
        return [
            'discount_percent' => $reduction?->percent?->toString(),
            'discount_amount' => $reduction?->amount,
        ];
    }

    /** The way it is typed and shown: "5 %", "2.00 off". */
    public static function written(?Reduction $reduction): string
    {
        return match (true) {
            $reduction === null => '',
            $reduction->percent !== null => "{$reduction->percent->toString()} %",
            default => "{$reduction->amount?->toString()} off",
        };
    }
}
