<?php

declare(strict_types=1);

use Elmstone\WebOrders\Address\InboxController;
use Illuminate\Support\Facades\Route;

// For programs with a token, not for people.
Route::post('/web/orders', [InboxController::class, 'store'])->name('web.orders');
Route::get('/web/orders/{number}/despatches/{at}', [InboxController::class, 'despatch'])
    ->where('number', '.+')
    ->whereNumber('at')
    ->name('web.orders.despatch');
Route::get('/web/orders/{number}', [InboxController::class, 'show'])->where('number', '.+')->name('web.orders.show');
