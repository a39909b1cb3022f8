<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Of the nodes of a cluster one is written to: whose turn it is stands in one row, and whatever is written hangs on it
 * while it is under way. Another node's turn begins with that row's end, which ends what hangs on it.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('writers', static function (Blueprint $table): void {
            $table->unsignedBigInteger('turn')->primary();
            $table->string('node', 64);
        });
        Schema::create('writer_marks', static function (Blueprint $table): void {
            $table->id();
            $table->unsignedBigInteger('turn');
            $table->foreign('turn')->references('turn')->on('writers');
        });
    }
};
