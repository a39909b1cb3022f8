<?php

declare(strict_types=1);

use Elmstone\Devices\StandIns;
use Elmstone\Foundation\Http\DesignController;
use Illuminate\Support\Facades\Route;

Route::get('/design', DesignController::class)
    ->middleware(['can:play-devices', StandIns::class])
    ->name('design');
