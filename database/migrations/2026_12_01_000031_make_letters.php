<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Reminder letters to accounts, and what each was about. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('letters', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained('house_accounts', 'customer_id');
            $table->foreignId('staff_id')->constrained('staff');
            $table->unsignedTinyInteger('level');
            $table->string('state', 10)->default('made');
            $table->string('way', 10);
            $table->bigInteger('total')->comment('minor units, the fee not in it');
            $table->foreignId('fee_document_id')->nullable()->constrained('documents');
            $table->date('sent_on');
            $table->mediumText('data')->comment('all that the paper says');
            $table->string('trouble')->default('');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->unique(['customer_id', 'sent_on']);
            $table->index(['sent_on', 'way']);
        });

        Schema::create('letter_items', static function (Blueprint $table): void {
            $table->foreignId('letter_id')->constrained();
            $table->foreignId('document_id')->constrained('open_items', 'document_id');
            $table->unsignedTinyInteger('level')->nullable()->comment('its letters so far; null: only listed');
            $table->bigInteger('open');
            $table->primary(['letter_id', 'document_id']);
        });
    }
};
