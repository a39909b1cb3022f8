<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Reminders that were sent. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('reminders', static function (Blueprint $table): void {
            $table->id();
            $table->string('about', 10)->comment('layaway or plan');
            $table->unsignedBigInteger('about_id');
            $table->date('due')->comment('the day it reminds of');
            $table->smallInteger('days')->comment('before (below zero) or after it');
            $table->string('mail_to', 160);
            $table->date('sent_on');
            $table->timestamp('sent_at', 3)->useCurrent();
            $table->unique(['about', 'about_id', 'due', 'days'], 'each_reminder_once');
        });
        Rows::keep('reminders');
    }
};
