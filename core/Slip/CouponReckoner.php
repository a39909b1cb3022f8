<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * What coupons take off, in the order they were shown, each of what the one before left. docs/rules.md, "The slip",
 * step 3.
 */
final readonly class CouponReckoner
{
    /**
     * @param  list<PricedLine>  $lines
     * @param  list<Coupon>  $coupons
     * @return list<ReckonedCoupon>
     */
    public static function reckon(Currency $currency, array $lines, array $coupons): array
    {
        $left = array_map(static fn (PricedLine $line): Money => $line->afterLineDiscount(), $lines);
        $spent = Money::sum(
            array_map(
                static fn (PricedLine $line): Money => $line->line->direction === Direction::Out
                    ? $line->afterLineDiscount()
                    : Money::zero($currency),
                $lines,
            ),
            $currency,
        );
        $reckoned = [];

        foreach ($coupons as $coupon) {
            $weights = array_filter(
                $left,
                static fn (int $place): bool => $coupon->isFor($lines[$place]->line),
                ARRAY_FILTER_USE_KEY,
            );
            $basis = Money::sum($weights, $currency);
            $refused = self::refused($coupon, $spent, $basis, count($coupons));
            $amount = $refused === null ? $coupon->of($basis) : Money::zero($currency);
            $shares = $weights === []
                    ? []
                    : array_combine(
                        array_keys($weights),
                        $amount->apportion(
                            array_map(
                                static fn (Money $weight): BigDecimal => $weight->major(),
                                array_values($weights),
                            ),
                        ),
                    );

            foreach ($shares as $place => $share) {
                $left[$place] = $left[$place]->minus($share);
            }

            $reckoned[] = new ReckonedCoupon($coupon, $basis, $amount, $shares, $refused);
        }

        return $reckoned;
    }

    private static function refused(Coupon $coupon, Money $spent, Money $basis, int $count): ?Refused
    {
        return match (true) {
            $coupon->alone && $count > 1 => Refused::because(
                'coupon_alone',
                "Coupon {$coupon->id} does not go together with others.",
            ),
            $coupon->leastSpend?->exceeds($spent) === true => Refused::because(
                'coupon_least_spend',
                "Coupon {$coupon->id} is for purchases of {$coupon->leastSpend->toString()} and more; this one comes "
                    ."to {$spent->toString()}.",
            ),
            ! $basis->isPositive() => Refused::because(
                'coupon_reaches_nothing',
                "Coupon {$coupon->id} is not for anything on this slip.",
            ),
            default => null,
        };
    }
}
