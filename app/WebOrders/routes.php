<?php

declare(strict_types=1);

use Elmstone\Devices\StandIns;
use Elmstone\WebOrders\Pages\SenderController;
use Elmstone\WebOrders\Pages\WebOrderController;
use Elmstone\WebOrders\StandIn\WebShopController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:interchange')->group(function (): void {
    Route::post('/web-orders', [WebOrderController::class, 'upload'])->name('web-orders.upload');
    Route::get('/web-orders/senders', [SenderController::class, 'index'])->name('web-orders.senders');
    Route::post('/web-orders/senders', [SenderController::class, 'store'])->name('web-orders.senders.store');
    Route::post('/web-orders/senders/{sender}', [SenderController::class, 'update'])->name('web-orders.senders.update');
    Route::post('/web-orders/senders/{sender}/token', [SenderController::class, 'token'])->name(
        'web-orders.senders.token',
    );
});

Route::middleware('can:see-orders')->group(function (): void {
    Route::get('/web-orders', [WebOrderController::class, 'index'])->name('web-orders');
    Route::get('/web-orders/{web}', [WebOrderController::class, 'show'])->whereNumber('web')->name('web-orders.show');
    Route::get('/web-orders/{web}/order.xml', [WebOrderController::class, 'xml'])->name('web-orders.xml');
    Route::get('/web-orders/{web}/response.xml', [WebOrderController::class, 'response'])->name('web-orders.response');
    Route::get('/web-orders/{web}/despatch/{document}.xml', [WebOrderController::class, 'despatch'])->name(
        'web-orders.despatch',
    );
    Route::middleware('can:take-web-orders')->group(function (): void {
        Route::post('/web-orders/{web}/take', [WebOrderController::class, 'take'])->name('web-orders.take');
        Route::post('/web-orders/{web}/refuse', [WebOrderController::class, 'refuse'])->name('web-orders.refuse');
    });
});

Route::middleware(['can:play-devices', StandIns::class])->group(function (): void {
    Route::get('/devices/web-shop', [WebShopController::class, 'show'])->name('devices.web-shop');
    Route::post('/devices/web-shop', [WebShopController::class, 'place'])->name('devices.web-shop.place');
});
