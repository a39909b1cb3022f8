<?php

declare(strict_types=1);

use Elmstone\Books\RegisterController;
use Elmstone\Catalogue\ItemController;
use Elmstone\Counter\CounterController;
use Elmstone\Counter\LineController;
use Elmstone\Counter\SettleController;
use Elmstone\Devices\DevicesController;
use Elmstone\Foundation\Http\DesignController;
use Elmstone\Paper\PaperController;
use Elmstone\Staff\SignInController;
use Elmstone\Staff\StaffController;
use Illuminate\Support\Facades\Route;

// For whoever watches over the server: says only that the application answers.
Route::get('/up', static fn () => response('up'))->withoutMiddleware('web')->name('up');

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
    Route::post('/sign-in', [SignInController::class, 'signIn']);
});

Route::post('/sign-out', [SignInController::class, 'signOut'])->name('sign-out');

Route::middleware(['auth', 'till'])->group(function (): void {
    Route::middleware('can:sell')->group(function (): void {
        Route::redirect('/', '/counter');
        Route::post('/change-person', [SignInController::class, 'change'])->name('change-person');
        Route::get('/counter', [CounterController::class, 'index'])->name('counter');
        Route::get('/counter/new', [CounterController::class, 'fresh'])->name('counter.new');

        Route::prefix('/counter/{slip}')->whereUuid('slip')->name('counter.')->group(function (): void {
            Route::get('/', [CounterController::class, 'show'])->name('show');
            Route::get('/find', [CounterController::class, 'find'])->name('find');
            Route::get('/margin', [CounterController::class, 'margin'])->middleware('can:see-margin')->name('margin');
            Route::post('/add', [CounterController::class, 'add'])->name('add');
            Route::post('/one-off', [CounterController::class, 'oneOff'])->name('one-off');
            Route::post('/clear', [CounterController::class, 'clear'])->name('clear');
            Route::post('/discount', [CounterController::class, 'discount'])->name('discount');
            Route::post('/date', [CounterController::class, 'date'])->name('date');
            Route::post('/pick-up', [CounterController::class, 'pickUp'])->name('pick-up');
            Route::post('/restore', [CounterController::class, 'restore'])->name('restore');
            Route::post('/post', [CounterController::class, 'post'])->name('post');
            Route::post('/lines/{line}', [LineController::class, 'change'])->whereNumber('line')->name('line');
            Route::post('/lines/{line}/remove', [LineController::class, 'remove'])->whereNumber('line')->name('line.remove');
            Route::post('/cash', [SettleController::class, 'cash'])->name('cash');
            Route::post('/cheque', [SettleController::class, 'cheque'])->name('cheque');
            Route::post('/paper', [SettleController::class, 'paper'])->name('paper');
            Route::post('/card', [SettleController::class, 'card'])->name('card');
            Route::post('/card/{card}/ask', [SettleController::class, 'askAgain'])->whereNumber('card')->name('card.ask');
            Route::post('/card/{card}/key', [SettleController::class, 'key'])->whereNumber('card')->name('card.key');
            Route::post('/card/{card}/give-back', [SettleController::class, 'giveBack'])->whereNumber('card')->name('card.give-back');
        });
    });

    Route::middleware('can:see-documents')->group(function (): void {
        Route::get('/documents', [RegisterController::class, 'index'])->name('documents');
        Route::get('/documents.csv', [RegisterController::class, 'csv'])->name('documents.csv');
        Route::get('/documents/{document}', [RegisterController::class, 'show'])->name('documents.show');
        Route::get('/documents/{document}/receipt', [PaperController::class, 'receipt'])->name('paper.receipt');
        Route::get('/documents/{document}/invoice', [PaperController::class, 'invoice'])->name('paper.invoice');
        Route::get('/documents/{document}/invoice.pdf', [PaperController::class, 'invoicePdf'])->name('paper.invoice-pdf');
        Route::get('/documents/{document}/receipt.pdf', [PaperController::class, 'receiptPdf'])->name('paper.receipt-pdf');
        Route::post('/documents/{document}/print', [PaperController::class, 'print'])->name('paper.print');
        Route::post('/documents/{document}/mail', [PaperController::class, 'mail'])->name('paper.mail');
    });

    Route::get('/items', [ItemController::class, 'index'])->middleware('can:see-items')->name('items');
    Route::get('/items/new', [ItemController::class, 'create'])->middleware('can:edit-items')->name('items.create');
    Route::post('/items', [ItemController::class, 'store'])->middleware('can:edit-items')->name('items.store');
    Route::get('/items/{item:code}', [ItemController::class, 'show'])->middleware('can:see-items')->name('items.show');
    Route::post('/items/{item:code}', [ItemController::class, 'update'])->middleware('can:edit-items')->name('items.update');

    Route::middleware('can:manage-staff')->group(function (): void {
        Route::get('/staff', [StaffController::class, 'index'])->name('staff');
        Route::post('/staff', [StaffController::class, 'store'])->name('staff.store');
        Route::post('/staff/{staff}', [StaffController::class, 'update'])->name('staff.update');
        Route::post('/staff/{staff}/unlock', [StaffController::class, 'unlock'])->name('staff.unlock');
    });

    Route::middleware('can:play-devices')->group(function (): void {
        Route::get('/devices', [DevicesController::class, 'show'])->name('devices');
        Route::post('/devices/terminal', [DevicesController::class, 'terminal'])->name('devices.terminal');
        Route::get('/devices/papers/{paper}', [DevicesController::class, 'paper'])->whereNumber('paper')->name('devices.paper');
        Route::get('/devices/mails/{mail}/attachment', [DevicesController::class, 'attachment'])->whereNumber('mail')->name('devices.attachment');
        Route::get('/devices/display/{till}', [DevicesController::class, 'display'])->whereNumber('till')->name('devices.display');
        Route::get('/design', DesignController::class)->name('design');
    });
});
