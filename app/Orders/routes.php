<?php

declare(strict_types=1);

use Elmstone\Orders\Pages\OrderController;
use Elmstone\Orders\Pages\PickController;
use Elmstone\Orders\Pages\SpecialController;
use Elmstone\Orders\Pages\TermsController;
use Elmstone\Orders\Pages\WorklistController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-orders')->group(function (): void {
    Route::get('/orders', [WorklistController::class, 'index'])->name('orders');
    Route::get('/orders.csv', [WorklistController::class, 'csv'])->name('orders.csv');
    Route::get('/orders/terms', [TermsController::class, 'show'])
        ->middleware('can:set-house-terms')
        ->name('orders.terms');
    Route::post('/orders/terms', [TermsController::class, 'save'])
        ->middleware('can:set-house-terms')
        ->name('orders.terms.save');
    Route::get('/orders/{order}', [OrderController::class, 'show'])->name('orders.show');
    Route::get('/orders/{order}/confirmation.pdf', [OrderController::class, 'confirmation'])->name(
        'orders.confirmation',
    );
    Route::get('/orders/{order}/picking.pdf', [OrderController::class, 'picking'])->name('orders.picking');
    Route::get('/orders/{order}/delivery-note.pdf', [OrderController::class, 'deliveryNote'])->name(
        'orders.delivery-note',
    );
    Route::middleware('can:sell')->group(function (): void {
        Route::get('/orders/{order}/pick', [PickController::class, 'show'])->name('orders.pick');
        Route::post('/orders/{order}/pick', [PickController::class, 'scan'])->name('orders.pick.scan');
        Route::post('/orders/{order}/pick/finish', [PickController::class, 'finish'])->name('orders.pick.finish');
        Route::post('/orders/{order}/pick/{position}', [PickController::class, 'count'])
            ->whereNumber('position')
            ->name('orders.pick.count');
        Route::post('/orders/{order}/print', [OrderController::class, 'print'])->name('orders.print');
        Route::post('/orders/{order}/supply', [OrderController::class, 'supply'])->name('orders.supply');
        Route::post('/orders/{order}/buy/{position}', [SpecialController::class, 'store'])
            ->middleware('can:buy-goods')
            ->whereNumber('position')
            ->name('orders.buy');
        Route::post('/orders/{order}/allot', [OrderController::class, 'allot'])->name('orders.allot');
        Route::post('/orders/{order}/change', [OrderController::class, 'change'])->name('orders.change');
        Route::post('/orders/{order}/cancel', [OrderController::class, 'cancel'])->name('orders.cancel');
        Route::post('/orders/{order}/shelve', [OrderController::class, 'shelve'])->name('orders.shelve');
    });
});
