<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which backups were made. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('backups', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80);
            $table->unsignedBigInteger('bytes');
            $table->char('sha256', 64)->charset('ascii');
            $table->unsignedInteger('seconds');
            $table->string('version', 20);
            $table->timestamp('made_at')->useCurrent();
            $table->index('made_at');
        });
    }
};
