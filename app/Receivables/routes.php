<?php

declare(strict_types=1);

use Elmstone\Receivables\Accounts\AccountController;
use Elmstone\Receivables\Adjustments\AdjustmentController;
use Elmstone\Receivables\Ageing\AgeingController;
use Elmstone\Receivables\FinanceCharges\FinanceChargeController;
use Elmstone\Receivables\Groups\GroupController;
use Elmstone\Receivables\Letters\LetterController;
use Elmstone\Receivables\Payments\ChequeSheetController;
use Elmstone\Receivables\Payments\PaymentController;
use Elmstone\Receivables\Payments\SpreadController;
use Elmstone\Receivables\Payments\TakenBackController;
use Elmstone\Receivables\Statements\StatementController;
use Illuminate\Support\Facades\Route;

Route::post('/accounts/{customer}/items/{document}/pay-out', [SpreadController::class, 'payOut'])
    ->middleware('can:give-credit')
    ->name('accounts.pay-out');
Route::post('/documents/{document}/reverse', [TakenBackController::class, 'reverse'])
    ->middleware('can:sell')
    ->name('documents.reverse');
Route::post('/documents/{document}/returned', [TakenBackController::class, 'bounce'])
    ->middleware('can:take-payments')
    ->name('documents.returned');
Route::post('/documents/{document}/undo', [TakenBackController::class, 'undo'])
    ->middleware('can:take-payments')
    ->name('documents.undo');

Route::middleware('can:see-accounts')->group(function (): void {
    Route::get('/accounts', [AgeingController::class, 'index'])
        ->middleware('can:see-ageing')
        ->name('accounts');
    Route::get('/accounts/ageing.csv', [AgeingController::class, 'csv'])
        ->middleware('can:see-ageing')
        ->name('accounts.ageing.csv');
    Route::get('/accounts/{customer}', [AccountController::class, 'show'])->name('accounts.show');
    Route::get('/accounts/{customer}/account.csv', [AccountController::class, 'csv'])->name('accounts.csv');
    Route::get('/accounts/{customer}/statement', [StatementController::class, 'preview'])->name('statements.preview');
    Route::get('/accounts/{customer}/statement.pdf', [StatementController::class, 'pdf'])->name('statements.pdf');
});

Route::middleware('can:take-payments')->group(function (): void {
    Route::get('/accounts/cheques', [ChequeSheetController::class, 'show'])->name('accounts.cheques');
    Route::get('/accounts/cheques/find', [ChequeSheetController::class, 'find'])->name('accounts.cheques.find');
    Route::post('/accounts/cheques', [ChequeSheetController::class, 'store'])->name('accounts.cheques.store');
    Route::get('/accounts/calls', [AgeingController::class, 'calls'])->name('accounts.calls');

    Route::prefix('/accounts/{customer}')
        ->name('accounts.')
        ->group(function (): void {
            Route::get('/payment', [PaymentController::class, 'show'])->name('payment');
            Route::post('/payment/draw', [PaymentController::class, 'draw'])->name('payment.draw');
            Route::post('/payment', [PaymentController::class, 'store'])->name('payment.store');
            Route::get('/items/{document}', [SpreadController::class, 'show'])->name('spread');
            Route::post('/items/{document}/draw', [SpreadController::class, 'draw'])->name('spread.draw');
            Route::post('/items/{document}', [SpreadController::class, 'store'])->name('spread.store');
            Route::post('/calls', [AgeingController::class, 'call'])->name('call');
        });
});

Route::post('/accounts/{customer}/stop', [AccountController::class, 'stop'])
    ->middleware('can:stop-accounts')
    ->name('accounts.stop');

Route::middleware('can:manage-accounts')
    ->prefix('/accounts/{customer}')
    ->group(function (): void {
        Route::get('/terms', [AccountController::class, 'terms'])->name('accounts.terms');
        Route::post('/terms', [AccountController::class, 'save'])->name('accounts.terms.save');
        Route::post('/release', [AccountController::class, 'release'])->name('accounts.release');
        Route::post('/close', [AdjustmentController::class, 'close'])->name('accounts.close');
        Route::post('/head', [GroupController::class, 'save'])->name('accounts.head');
        Route::post('/review', [AdjustmentController::class, 'review'])->name('accounts.review');
        Route::get('/settle/{document}', [AdjustmentController::class, 'show'])->name('accounts.item');
        Route::post('/settle/{document}/write-off', [AdjustmentController::class, 'writeOff'])
            ->name('accounts.item.write-off');
        Route::post('/settle/{document}/owed-again', [AdjustmentController::class, 'owedAgain'])
            ->name('accounts.item.owed-again');
        Route::post('/settle/{document}/move', [AdjustmentController::class, 'move'])->name('accounts.item.move');
        Route::post('/settle/{document}/dispute', [AdjustmentController::class, 'dispute'])
            ->name('accounts.item.dispute');
        Route::post('/settle/{document}/settled', [AdjustmentController::class, 'settled'])
            ->name('accounts.item.settled');
        Route::get('/merge', [AccountController::class, 'mergePreview'])->name('customers.merge.preview');
        Route::post('/merge', [AccountController::class, 'merge'])->name('customers.merge');
    });

Route::middleware('can:run-statements')->group(function (): void {
    Route::get('/statements', [StatementController::class, 'index'])->name('statements');
    Route::post('/accounts/{customer}/statement/mail', [StatementController::class, 'mailNow'])
        ->name('statements.mail-now');
    Route::post('/statements', [StatementController::class, 'begin'])->name('statements.begin');
    Route::get('/statements/runs/{run}', [StatementController::class, 'show'])->name('statements.run');
    Route::post('/statements/runs/{run}/step', [StatementController::class, 'step'])->name('statements.step');
    Route::post('/statements/runs/{run}/stop', [StatementController::class, 'stop'])->name('statements.stop');
    Route::post('/statements/runs/{run}/go-on', [StatementController::class, 'goOn'])->name('statements.go-on');
    Route::post('/statements/{statement}/mail-again', [StatementController::class, 'mailAgain'])->name(
        'statements.mail-again',
    );
    Route::post('/statements/{statement}/count-as-mailed', [StatementController::class, 'countAsMailed'])->name(
        'statements.count-as-mailed',
    );
    Route::get('/statements/runs/{run}/print.pdf', [StatementController::class, 'printFile'])->name('statements.print');
    Route::get('/statements/{statement}.pdf', [StatementController::class, 'again'])->name('statements.again');
    Route::get('/letters', [LetterController::class, 'index'])->name('letters');
    Route::post('/letters', [LetterController::class, 'send'])->name('letters.send');
    Route::get('/letters/print.pdf', [LetterController::class, 'printFile'])->name('letters.print');
    Route::get('/letters/{letter}.pdf', [LetterController::class, 'paper'])->name('letters.paper');
    Route::post('/letters/{letter}/mail-again', [LetterController::class, 'mailAgain'])->name('letters.mail-again');
    Route::post('/letters/settings', [LetterController::class, 'settings'])
        ->middleware('can:manage-accounts')
        ->name('letters.settings');
    Route::get('/finance-charges', [FinanceChargeController::class, 'index'])->name('finance-charges');
    Route::post('/finance-charges', [FinanceChargeController::class, 'post'])->name('finance-charges.post');
    Route::post('/finance-charges/settings', [FinanceChargeController::class, 'settings'])
        ->middleware('can:manage-accounts')
        ->name('finance-charges.settings');
});
