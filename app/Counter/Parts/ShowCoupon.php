<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Coupons\CouponRecord;
use Elmstone\Shop\House;

/** Puts a coupon on the slip that somebody shows, or takes it off. */
final class ShowCoupon
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house)
    {
    }

    /** The coupon of this code, in any case. */
    public static function named(string $typed): ?CouponRecord
    {
        $code = trim($typed);

        return $code === '' ? null : CouponRecord::query()->where('code', $code)->first();
    }

    /** @throws Refused no_such_coupon, coupon_over, coupon_twice, and why it does not count on this slip */
    public function handle(string $slipKey, Act $act, string $typed): Slip
    {
        $coupon = self::named($typed)
            ?? throw Refused::because('no_such_coupon', 'No coupon is called “'.trim($typed).'”.');

        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $coupon): void {
            $hindrance = $coupon->hindrance($slip->day());
            $hindrance === '' || throw Refused::because('coupon_over', "Coupon {$coupon->code} {$hindrance}.");
            in_array($coupon->id, $slip->couponIds(), true)
                && throw Refused::because('coupon_twice', "Coupon {$coupon->code} is on this slip already.");
            $slip->keepCoupons([...$slip->couponIds(), $coupon->id]);
            $this->desk->redraw($slip, $act);

            foreach (ReckonedCounter::of($slip, $this->house)->sums->coupons as $reckoned) {
                if ($reckoned->refused !== null && $slip->lines->isNotEmpty()) {
                    throw $reckoned->refused;
                }
            }
        });
    }

    public function drop(string $slipKey, Act $act, int $coupon): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($coupon): void {
            $slip->keepCoupons(
                array_values(array_filter($slip->couponIds(), static fn (int $id): bool => $id !== $coupon)),
            );
        });
    }
}
