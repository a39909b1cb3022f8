<?php

declare(strict_types=1);

namespace Elmstone\Coupons;

use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/** Proves the coupons: each was used as often as documents say, and what it took off is what came off their lines. */
final class ProveCoupons implements Check
{
    public function prove(Proof $proof): void
    {
        foreach (
            DB::select(
                'SELECT c.code, c.uses, COUNT(d.document_id) AS used FROM coupons c LEFT JOIN document_coupons d ON '
                    .'d.coupon_id = c.id AND NOT EXISTS (SELECT 1 FROM documents v WHERE v.refers_to_id = '
                    .'d.document_id AND v.purpose = \'void\') GROUP BY c.id, c.code, c.uses HAVING c.uses <> used',
            ) as $row
        ) {
            $proof->fault("coupon {$row->code}: counted {$row->uses} times, used {$row->used} times");
        }

        $taken = 'SELECT d.label, d.coupon_discount, COALESCE(c.taken, 0) AS taken, COALESCE(l.came_off, 0) AS '
            .'came_off '
            .'FROM documents d LEFT JOIN (SELECT document_id, SUM(taken) AS taken FROM document_coupons GROUP BY '
            .'document_id) c ON c.document_id = d.id LEFT JOIN (SELECT document_id, SUM(coupon_discount) AS '
            .'came_off FROM document_lines WHERE coupon_discount <> 0 GROUP BY document_id) l ON '
            .'l.document_id = d.id WHERE d.coupon_discount <> COALESCE(c.taken, 0) OR '
            .'d.coupon_discount <> COALESCE(l.came_off, 0)';

        foreach (DB::select($taken) as $row) {
            $proof->fault(
                "{$row->label}: coupons come to {$row->coupon_discount}, they "
                    ."took {$row->taken}, and {$row->came_off} came off its lines",
            );
        }

        $proof->checked('coupons used as often as documents say', CouponRecord::query()->count());
    }
}
