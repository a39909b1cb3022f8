<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The reasons that are offered, as the shop has set them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop', static function (Blueprint $table): void {
            $table->json('reasons')->nullable()->comment('as set by the shop; null: as the program ships');
        });
    }
};
