<?php

declare(strict_types=1);

namespace Elmstone\Counter\Look;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\CouponReckoner;
use Elmstone\Core\Slip\PricedLine;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SlipCoupons;
use Elmstone\Coupons\CouponRecord;
use Elmstone\Shop\House;

/** A coupon in force that would take something off a slip, beside those on it. */
final readonly class CouponsThatFit
{
    /** Coupons that are looked at. */
    private const MOST = 60;

    private function __construct(public string $code, public string $description, public Money $off)
    {
    }

    /**
     * Those that are for everybody: a coupon that counts once was given to somebody, who has its code.
     *
     * @return list<self> what takes most off first
     */
    public static function on(ReckonedCounter $reckoned, House $house): array
    {
        $slip = $reckoned->slip;
        $lines = array_map(
            static fn (ReckonedLine $line): PricedLine => new PricedLine(
                $line->line,
                $line->gross,
                $line->lineDiscount,
            ),
            $reckoned->sums->lines,
        );
        $shown = SlipCoupons::values($slip);
        $fit = [];

        foreach (CouponRecord::inForceOn($slip->day(), self::MOST)->except($slip->couponIds()) as $coupon) {
            $all = CouponReckoner::reckon(
                $house->currency(),
                $lines,
                [...$shown, SlipCoupons::value($coupon, $slip)],
            );
            $last = $all[count($shown)];
            $isInTheWay = array_filter($all, static fn ($one): bool => $one->refused !== null) !== [];
            $isInTheWay
                || ! $last->amount->isPositive()
                || ($fit[] = new self($coupon->code, $coupon->description, $last->amount));
        }

        usort(
            $fit,
            static fn (self $one, self $other): int => $other->off->exceeds($one->off)
                <=> $one->off->exceeds($other->off),
        );

        return $fit;
    }
}
