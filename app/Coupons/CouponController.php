<?php

declare(strict_types=1);

namespace Elmstone\Coupons;

use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Item;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The coupons the shop has given out. */
final class CouponController
{
    public function index(Request $request, House $house): View
    {
        $coupon = $request->filled('change') ? CouponRecord::query()->findOrFail($request->integer('change')) : null;

        return view('coupons.index', [
            'coupons' => CouponRecord::query()->orderByDesc('active')->orderByDesc('id')->limit(300)->get(),
            'coupon' => $coupon,
            'codes' => $coupon?->items === null
                    ? ''
                    : implode(', ', Item::query()->whereIn('id', $coupon->items)->pluck('code')->all()),
            'departments' => Department::query()->orderBy('name')->get(),
            'house' => $house,
            'today' => ShopTime::today(),
        ]);
    }

    public function store(CouponRequest $request): RedirectResponse
    {
        $coupon = CouponRecord::query()->create($request->columns());

        return redirect()
            ->route('coupons')
            ->with('done', "Coupon {$coupon->code} counts from ".$coupon->starts_on->format('j M Y').'.');
    }

    public function update(CouponRequest $request, CouponRecord $coupon): RedirectResponse
    {
        $coupon->update($request->columns());

        return redirect()
            ->route('coupons')
            ->with('done', "Coupon {$coupon->code} is changed; what it took off before stays as it is.");
    }
}
