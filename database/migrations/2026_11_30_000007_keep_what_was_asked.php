<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was asked under a key is kept with what was done under it. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['documents', 'slip_acts'] as $table) {
            Schema::table(
                $table,
                static fn (Blueprint $table) => $table
                    ->char('asked', 64)
                    ->charset('ascii')
                    ->collation('ascii_bin')
                    ->nullable()
                    ->comment('the digest of what a page asked'),
            );
        }
    }
};
