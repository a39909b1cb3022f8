<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Pictures and papers kept with customers, items, orders and documents, and a line that sums each up. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('attachments', static function (Blueprint $table): void {
            $table->id();
            $table->string('of', 10)->charset('ascii');
            $table->unsignedBigInteger('of_id');
            $table->string('name', 120);
            $table->string('mime', 40)->charset('ascii');
            $table->unsignedInteger('size')->comment('bytes, as kept');
            $table->char('digest', 64)->charset('ascii')->comment('SHA-256 of what is kept');
            $table->rawColumn('bytes', 'LONGBLOB NOT NULL');
            $table->foreignId('staff_id')->constrained('staff');
            $table->timestamp('kept_at', 3)->useCurrent();
            $table->foreignId('removed_by')->nullable()->constrained('staff');
            $table->timestamp('removed_at', 3)->nullable()->comment('its bytes are gone then');
            $table->index(['of', 'of_id', 'id']);
        });

        Schema::create('summaries', static function (Blueprint $table): void {
            $table->string('of', 10)->charset('ascii');
            $table->unsignedBigInteger('of_id');
            $table->string('words', 255);
            $table->foreignId('staff_id')->constrained('staff');
            $table->timestamp('said_at', 3)->useCurrent();
            $table->primary(['of', 'of_id']);
        });
    }
};
