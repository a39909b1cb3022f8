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
     * "5" and "5 %" are a percentage, "2.00 off" an amount; nothing or 0 is no discount.
     *
     * @throws Refused amount_too_large, and what is no number or percentage
     */
    public static function typed(string $text, House $house): ?Reduction
    {
        $text = trim($text);

        if (preg_match('/^(.*)\boff$/iu', $text, $parts) === 1) {
            $amount = $house->fitting(Money::of(TypedNumber::plain(trim($parts[1])), $house->currency()));

            return $amount->isZero() ? null : Reduction::amount($amount);
        }

        $percent = trim(rtrim($text, "% \u{00A0}"));

        if ($percent === '' || $percent === '–') {
            return null;
        }

        $reduction = Reduction::percent(TypedNumber::plain($percent));

        return $reduction->percent?->value->isZero() === true ? null : $reduction;
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
