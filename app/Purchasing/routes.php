<?php

declare(strict_types=1);

use Elmstone\Purchasing\Pages\InvoiceController;
use Elmstone\Purchasing\Pages\PurchaseController;
use Elmstone\Purchasing\Pages\ReceiveController;
use Elmstone\Purchasing\Pages\SupplierController;
use Elmstone\Purchasing\Pages\ToBuyController;
use Elmstone\Purchasing\Pages\TransferController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-orders')->group(function (): void {
    Route::get('/purchases', [PurchaseController::class, 'index'])->name('purchases');
    Route::get('/purchases/{purchase}', [PurchaseController::class, 'show'])->name('purchases.show');
    Route::get('/purchases/{purchase}/receive', [ReceiveController::class, 'show'])
        ->middleware('can:receive-goods')
        ->name('purchases.receive');
    Route::post('/purchases/{purchase}/receive', [ReceiveController::class, 'store'])
        ->middleware('can:receive-goods')
        ->name('purchases.received');
});

Route::middleware(['can:see-orders', 'can:receive-goods'])->group(function (): void {
    Route::get('/transfers', [TransferController::class, 'index'])->name('transfers');
    Route::get('/transfers/new', [TransferController::class, 'create'])->name('transfers.create');
    Route::post('/transfers', [TransferController::class, 'store'])->name('transfers.store');
    Route::get('/transfers/{transfer}', [TransferController::class, 'show'])->name('transfers.show');
    Route::get('/transfers/{transfer}/list.pdf', [TransferController::class, 'pdf'])->name('transfers.pdf');
    Route::post('/transfers/{transfer}', [TransferController::class, 'count'])->name('transfers.count');
});

Route::middleware('can:buy-goods')->group(function (): void {
    Route::get('/to-buy', [ToBuyController::class, 'show'])->name('to-buy');
    Route::post('/to-buy', [ToBuyController::class, 'store'])->name('to-buy.store');
    Route::get('/suppliers', [SupplierController::class, 'index'])->name('suppliers');
    Route::get('/suppliers/new', [SupplierController::class, 'create'])->name('suppliers.create');
    Route::post('/suppliers', [SupplierController::class, 'store'])->name('suppliers.store');
    Route::get('/suppliers/{supplier}', [SupplierController::class, 'show'])->name('suppliers.show');
    Route::post('/suppliers/{supplier}', [SupplierController::class, 'update'])->name('suppliers.update');
    Route::post('/suppliers/{supplier}/items', [SupplierController::class, 'item'])->name('suppliers.item');
    Route::post('/suppliers/{supplier}/purchase', [SupplierController::class, 'purchase'])->name('suppliers.purchase');
    Route::get('/suppliers/{supplier}/invoice', [InvoiceController::class, 'show'])->name('suppliers.invoice');
    Route::post('/suppliers/{supplier}/invoice', [InvoiceController::class, 'store'])->name('suppliers.invoiced');
    Route::get('/purchases/{purchase}/order.pdf', [PurchaseController::class, 'pdf'])->name('purchases.pdf');
    Route::get('/purchases/{purchase}/order.xml', [PurchaseController::class, 'ubl'])->name('purchases.ubl');
    Route::post('/purchases/{purchase}', [PurchaseController::class, 'alter'])->name('purchases.alter');
    Route::post('/purchases/{purchase}/add', [PurchaseController::class, 'add'])->name('purchases.add');
    Route::post('/purchases/{purchase}/send', [PurchaseController::class, 'send'])->name('purchases.send');
    Route::post('/purchases/{purchase}/expect', [PurchaseController::class, 'expect'])->name('purchases.expect');
    Route::post('/purchases/{purchase}/close', [PurchaseController::class, 'close'])->name('purchases.close');
});
