<?php

declare(strict_types=1);

use Elmstone\Upkeep\RunningController;
use Illuminate\Support\Facades\Route;

Route::get('/running', RunningController::class)->middleware('can:see-running')->name('running');
