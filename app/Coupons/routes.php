<?php

declare(strict_types=1);

use Elmstone\Coupons\CouponController;
use Illuminate\Support\Facades\Route;

Route::get('/coupons', [CouponController::class, 'index'])
    ->middleware('can:see-credits')
    ->name('coupons');

Route::middleware('can:edit-coupons')->group(function (): void {
    Route::post('/coupons', [CouponController::class, 'store'])->name('coupons.store');
    Route::post('/coupons/{coupon}', [CouponController::class, 'update'])->name('coupons.update');
});
