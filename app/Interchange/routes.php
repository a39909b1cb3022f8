<?php

declare(strict_types=1);

use Elmstone\Interchange\Bank\BankController;
use Elmstone\Interchange\Bank\BankEntryController;
use Elmstone\Interchange\PayoutController;
use Elmstone\Interchange\Tables\TablesController;
use Elmstone\Interchange\Ubl\UblController;
use Illuminate\Support\Facades\Route;

Route::get('/documents/{document}/invoice.xml', [UblController::class, 'show'])
    ->middleware('can:see-documents')
    ->name('documents.ubl');

Route::get('/safe/payouts.csv', [PayoutController::class, 'standIn'])->middleware('can:bank')->name('safe.stand-in');
Route::post('/safe/payouts', [PayoutController::class, 'takeIn'])->middleware('can:bank')->name('safe.payouts');

Route::middleware('can:interchange')->group(function (): void {
    Route::get('/tables', [TablesController::class, 'index'])->name('tables');
    // A table's own name may have a hyphen in it.
    Route::get('/tables/{table}-template.csv', [TablesController::class, 'template'])->where('table', '[a-z-]+')
        ->name('tables.template');
    Route::get('/tables/{table}.csv', [TablesController::class, 'out'])->name('tables.out');
    Route::get('/tables/{table}', [TablesController::class, 'show'])->name('tables.show');
    Route::get('/tables/{table}/work/{work}', [TablesController::class, 'work'])->name('tables.work');
    Route::get('/tables/{table}/work/{work}/rows.csv', [TablesController::class, 'rows'])->name('tables.rows');
    Route::post('/tables/{table}', [TablesController::class, 'dryRun'])->name('tables.dry-run');
    Route::post('/tables/{table}/bring-in', [TablesController::class, 'bringIn'])->name('tables.bring-in');
    Route::get('/bank', [BankController::class, 'index'])->name('bank');
    Route::post('/bank', [BankController::class, 'takeIn'])->name('bank.take-in');
    Route::get('/bank/{file}', [BankController::class, 'show'])->name('bank.file');
    Route::post('/bank/{file}/columns', [BankController::class, 'columns'])->name('bank.columns');
    Route::post('/bank/layouts/{layout}/forget', [BankController::class, 'forget'])->name('bank.forget');
    Route::get('/bank/{file}/entries/{entry}', [BankEntryController::class, 'show'])->name('bank.entry');
    Route::post('/bank/{file}/entries/{entry}', [BankEntryController::class, 'assign'])->name('bank.assign');
    Route::post('/bank/{file}/entries/{entry}/spread', [BankEntryController::class, 'spread'])->name('bank.spread');
    Route::post('/bank/{file}/entries/{entry}/meet', [BankEntryController::class, 'meet'])->name('bank.meet');
    Route::post('/bank/{file}/entries/{entry}/aside', [BankEntryController::class, 'aside'])->name('bank.aside');
    Route::post('/bank/{file}/entries/{entry}/take-back', [BankEntryController::class, 'takeBack'])->name(
        'bank.take-back',
    );
    Route::post('/bank/{file}/post', [BankController::class, 'post'])->name('bank.post');
});
