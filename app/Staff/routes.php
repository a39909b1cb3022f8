<?php

declare(strict_types=1);

use Elmstone\Staff\Approvals\LimitsController;
use Elmstone\Staff\Doors\SecurityLogController;
use Elmstone\Staff\Doors\SignInController;
use Elmstone\Staff\PlacesController;
use Elmstone\Staff\StaffController;
use Illuminate\Support\Facades\Route;

Route::post('/lock', [SignInController::class, 'lock'])->name('lock');
Route::post('/unlock', [SignInController::class, 'unlock'])->name('unlock');
Route::post('/sign-out/everywhere', [SignInController::class, 'signOutEverywhere'])->name('sign-out.everywhere');
Route::post('/change-person', [SignInController::class, 'change'])
    ->middleware('can:sell')
    ->name('change-person');

Route::middleware('can:manage-staff')->group(function (): void {
    Route::get('/staff', [StaffController::class, 'index'])->name('staff');
    Route::post('/staff', [StaffController::class, 'store'])->name('staff.store');
    Route::post('/staff/settings', [StaffController::class, 'settings'])->name('staff.settings');
    Route::get('/security-log', [SecurityLogController::class, 'index'])->name('security-log');
    Route::get('/security-log.csv', [SecurityLogController::class, 'csv'])->name('security-log.csv');
    Route::get('/staff/{staff}/places', [PlacesController::class, 'show'])->name('staff.places');
    Route::post('/staff/{staff}/places', [PlacesController::class, 'keep']);
    Route::post('/staff/{staff}', [StaffController::class, 'update'])->name('staff.update');
    Route::get('/limits', [LimitsController::class, 'show'])->name('limits');
    Route::post('/limits/{role}', [LimitsController::class, 'save'])->name('limits.save');
    Route::post('/staff/{staff}/sign-out', [StaffController::class, 'signOut'])->name('staff.sign-out');
    Route::post('/staff/{staff}/unlock', [StaffController::class, 'unlock'])->name('staff.unlock');
});
