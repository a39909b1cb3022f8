<?php

declare(strict_types=1);

use Elmstone\Setup\HasKey;
use Elmstone\Setup\SetUpController;
use Illuminate\Support\Facades\Route;

// Before there is anybody who could sign in: whoever has the key of the machine.
Route::get('/setup', [SetUpController::class, 'index'])->name('setup');
Route::post('/setup/key', [SetUpController::class, 'key'])->middleware('throttle:20,1')->name('setup.key');
Route::middleware(HasKey::class)->group(function (): void {
    Route::post('/setup/open', [SetUpController::class, 'open'])->name('setup.open');
    Route::get('/setup/{step}', [SetUpController::class, 'show'])->name('setup.step');
    Route::post('/setup/{step}', [SetUpController::class, 'keep'])->name('setup.keep');
});
