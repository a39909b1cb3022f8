<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Mails that did not arrive, and where a till’s printer is. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('mail_history', static function (Blueprint $table): void {
            $table->string('trouble')->default('')->comment('why it did not arrive');
            $table->index(['recipient', 'id']);
        });

        Schema::table('tills', static function (Blueprint $table): void {
            $table->string('printer', 120)->default('')->comment('host:port of its receipt printer; empty: none');
            $table->unsignedTinyInteger('paper_mm')->default(80)->comment('how wide its paper is');
        });
    }
};
