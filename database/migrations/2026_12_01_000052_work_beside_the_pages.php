<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What takes longer than somebody waits for a page is done by workers, who find there files that were looked at. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
        Schema::create('works', static function (Blueprint $table): void {
            $table->id();
            $table->string('what', 40);
            $table->foreignId('staff_id')->constrained('staff');
            $table->foreignId('till_id')->nullable()->constrained('tills');
            $table->longText('data');
            $table->enum('state', ['waiting', 'running', 'done', 'refused', 'broken'])->default('waiting');
            $table->unsignedBigInteger('done')->default(0);
            $table->unsignedBigInteger('of')->default(0);
            $table->string('words', 500)->default('');
            $table->longText('result')->nullable();
            $table->dateTime('made_at', 3)->index();
            $table->dateTime('begun_at', 3)->nullable();
            $table->dateTime('ended_at', 3)->nullable();
        });
        Schema::create('kept_uploads', static function (Blueprint $table): void {
            $table->id();
            $table->char('digest', 64)->charset('ascii');
            $table->unsignedSmallInteger('part');
            $table->mediumText('text')->charset('binary');
            $table->dateTime('kept_at')->index();
            $table->unique(['digest', 'part']);
        });
    }
};
