<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Papers that were issued, and what must happen after posting. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('paper_issues', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('document_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('form', 10)->comment('receipt or invoice');
            $table->string('way', 10)->comment('print, mail or file');
            $table->timestamp('issued_at', 3)->useCurrent();
        });

        Schema::create('outbox', static function (Blueprint $table): void {
            $table->id();
            $table->string('key', 80)->charset('ascii')->collation('ascii_bin')->comment('the same is written once');
            $table->string('what', 20);
            $table->foreignId('document_id')->nullable()->constrained();
            $table->foreignId('till_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->json('data');
            $table->string('state', 10)->default('waiting');
            $table->unsignedSmallInteger('tries')->default(0);
            $table->dateTime('next_try_at', 3);
            $table->string('trouble')->default('');
            $table->dateTime('made_at', 3);
            $table->dateTime('ended_at', 3)->nullable();
            $table->unique('key');
            $table->index(['state', 'next_try_at']);
            $table->index(['till_id', 'state', 'tries']);
        });
    }
};
