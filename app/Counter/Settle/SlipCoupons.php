<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\Drafts\DraftCoupon;
use Elmstone\Core\Slip\Coupon;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Coupons\CouponRecord;

/** The coupons on a slip, as the core takes them and as the document keeps them. */
final readonly class SlipCoupons
{
    /** @return list<Coupon> */
    public static function values(Slip $slip): array
    {
        $values = [];

        foreach ($slip->couponIds() as $id) {
            $coupon = $slip->couponsShown?->get($id);

            if ($coupon !== null) {
                $values[] = self::value($coupon, $slip);
            }
        }

        return $values;
    }

    /** A coupon with the lines of this slip that it is for. */
    public static function value(CouponRecord $coupon, Slip $slip): Coupon
    {
        $isFor = static fn (LineOnSlip $line): bool => $coupon->isFor($line->item_id, $line->department_id);
        $id = static fn (LineOnSlip $line): string => (string) $line->id;

        return $coupon->toValue(
            $coupon->isForAll() ? null : array_values($slip->lines->filter($isFor)->map($id)->all()),
        );
    }

    /** @return list<DraftCoupon> with the places of the lines they are for */
    public static function drafts(ReckonedCounter $reckoned): array
    {
        $drafts = [];

        foreach ($reckoned->sums->coupons as $i => $coupon) {
            $record = $reckoned->slip->couponsShown?->get($reckoned->slip->couponIds()[$i]);

            if ($record !== null) {
                $lines = $coupon->coupon->lines;
                $drafts[] = new DraftCoupon(
                    $coupon,
                    $record->id,
                    $record->description,
                    $lines === null
                        ? null
                        : array_map(static fn (string $id): int => $reckoned->places[(int) $id] + 1, $lines),
                );
            }
        }

        return $drafts;
    }
}
