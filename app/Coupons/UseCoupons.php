<?php

declare(strict_types=1);

namespace Elmstone\Coupons;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Counts the uses of coupons, under their lock. */
final class UseCoupons
{
    /**
     * Before anything else is read in the transaction.
     *
     * @param  array<int>  $ids
     * @return Collection<int, CouponRecord>
     */
    public function lock(array $ids): Collection
    {
        return $ids === []
            ? new Collection
            : CouponRecord::query()->whereIn('id', $ids)->orderBy('id')->lockForUpdate()->get()->keyBy('id');
    }

    /** @return list<int> the coupons a document was posted with, which are given back when it is voided */
    public static function usedOn(?int $document): array
    {
        return $document === null
            ? []
            : array_values(
                array_map(
                    static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0,
                    DB::table('document_coupons')
                        ->where('document_id', $document)
                        ->orderBy('coupon_id')
                        ->pluck('coupon_id')
                        ->all(),
                ),
            );
    }

    /**
     * @param  Collection<int, CouponRecord>  $coupons locked
     *
     * @throws Refused coupon_over
     */
    public function handle(Collection $coupons, CarbonImmutable $day): void
    {
        foreach ($coupons as $coupon) {
            $hindrance = $coupon->hindrance($day);

            if ($hindrance !== '') {
                throw Refused::because('coupon_over', "Coupon {$coupon->code} {$hindrance}.");
            }

            DB::table('coupons')
                ->where('id', $coupon->id)
                ->update(['uses' => $coupon->uses + 1]);
        }
    }

    /** What was used on a document that never was is not used. */
    public function giveBack(int $document): void
    {
        $used = self::usedOn($document);
        $used === [] || DB::table('coupons')->whereIn('id', $used)->decrement('uses');
    }
}
