<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Reports as people like them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('kept_reports', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('name', 60);
            $table->string('report', 30);
            $table->json('query');
            $table->string('every', 5)->default('')->comment('day, week, month; empty: it is not mailed');
            $table->string('mail_to')->default('');
            $table->date('sent_on')->nullable();
            $table->unique(['staff_id', 'name']);
            $table->index(['every', 'sent_on']);
        });
    }
};
