<?php

declare(strict_types=1);

use Elmstone\Paper\OutboxController;
use Elmstone\Paper\PaperController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:sell')->group(function (): void {
    Route::get('/waiting', [OutboxController::class, 'index'])->name('waiting');
    Route::post('/waiting/{outgoing}/again', [OutboxController::class, 'again'])->name('waiting.again');
    Route::post('/waiting/{outgoing}/leave', [OutboxController::class, 'leave'])->name('waiting.leave');
});

Route::middleware('can:see-documents')->group(function (): void {
    Route::get('/documents/{document}/receipt', [PaperController::class, 'receipt'])->name('paper.receipt');
    Route::get('/documents/{document}/invoice', [PaperController::class, 'invoice'])->name('paper.invoice');
    Route::get('/documents/{document}/invoice.pdf', [PaperController::class, 'invoicePdf'])->name('paper.invoice-pdf');
    Route::get('/documents/{document}/receipt.pdf', [PaperController::class, 'receiptPdf'])->name('paper.receipt-pdf');
    Route::post('/documents/{document}/print', [PaperController::class, 'print'])->name('paper.print');
    Route::post('/documents/{document}/mail', [PaperController::class, 'mail'])->name('paper.mail');
});
