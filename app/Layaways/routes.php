<?php

declare(strict_types=1);

use Elmstone\Layaways\Pages\LayawayController;
use Elmstone\Layaways\Pages\TermsController;
use Elmstone\Layaways\Pages\WorklistController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-layaways')->group(function (): void {
    Route::get('/layaways', [WorklistController::class, 'index'])->name('layaways');
    Route::get('/layaways.csv', [WorklistController::class, 'csv'])->name('layaways.csv');
    Route::get('/layaways/terms', [TermsController::class, 'show'])
        ->middleware('can:set-house-terms')
        ->name('layaways.terms');
    Route::post('/layaways/terms', [TermsController::class, 'save'])
        ->middleware('can:set-house-terms')
        ->name('layaways.terms.save');
    Route::get('/layaways/{layaway}', [LayawayController::class, 'show'])->name('layaways.show');
    Route::get('/layaways/{layaway}/agreement.pdf', [LayawayController::class, 'agreementPdf'])->name(
        'layaways.agreement-pdf',
    );
    Route::post('/layaways/{layaway}/print', [LayawayController::class, 'print'])->name('layaways.print');
    Route::post('/layaways/{layaway}/shelve', [LayawayController::class, 'shelve'])
        ->middleware('can:sell')
        ->name('layaways.shelve');
    Route::post('/layaways/{layaway}/collect', [LayawayController::class, 'collect'])
        ->middleware('can:sell')
        ->name('layaways.collect');
    Route::post('/layaways/{layaway}/lines', [LayawayController::class, 'lines'])
        ->middleware('can:set-layaway-terms')
        ->name('layaways.lines');
    Route::post('/layaways/{layaway}/extend', [LayawayController::class, 'extend'])
        ->middleware('can:sell')
        ->name('layaways.extend');
    Route::post('/layaways/{layaway}/cancel', [LayawayController::class, 'cancel'])
        ->middleware('can:sell')
        ->name('layaways.cancel');
});
