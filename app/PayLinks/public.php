<?php

declare(strict_types=1);

use Elmstone\PayLinks\FewAMinute;
use Elmstone\PayLinks\PayPageController;
use Illuminate\Support\Facades\Route;

Route::middleware(FewAMinute::class)->group(function (): void {
    Route::get('/pay/{code}', [PayPageController::class, 'show'])->name('pay');
    Route::post('/pay/{code}', [PayPageController::class, 'pay'])->name('pay.pay');
});
