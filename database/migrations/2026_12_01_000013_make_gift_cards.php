<?php

declare(strict_types=1);

use Elmstone\Books\Chain\SealedRows;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Gift cards. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('gift_cards', static function (Blueprint $table): void {
            $table->id();
            $table->char('code', 48)->charset('ascii')->collation('ascii_bin')->comment('keyed digest and last four');
            $table->bigInteger('balance')->default(0)->comment('kept under the row’s lock; proved against the entries');
            $table->date('issued_on');
            $table->date('expires_on')->nullable()->comment('its last day; null: none');
            $table->boolean('blocked')->default(false);
            $table->timestamp('made_at', 3)->useCurrent();
            $table->text('number')->nullable()->comment('encrypted, until it is printed');
            $table->index(['balance', 'expires_on']);
            $table->unique('code');
        });
        Rows::check('gift_cards', 'gift_card_not_below_zero', 'balance >= 0');

        Schema::create('gift_card_codes', static function (Blueprint $table): void {
            $table->char('code', 48)->charset('ascii')->collation('ascii_bin')->comment('keyed digest and last four');
            $table->foreignId('gift_card_id')->constrained();
            $table->boolean('counts')->default(true)->comment('false: lost, and replaced by another');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->char('seal', 64)->charset('ascii')->collation('ascii_bin')->default('');
            $table->primary('code');
        });

        Schema::create('gift_card_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('gift_card_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->bigInteger('amount')->comment('below zero: used');
            $table->date('business_date');
            $table->index(['business_date', 'amount']);
            $table->index(['gift_card_id', 'id']);
        });
        Rows::keep('gift_card_entries');
        SealedRows::of('gift_card_entries');

        Schema::create('gift_card_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('gift_card_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('what');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['gift_card_id', 'id']);
        });
        Rows::keep('gift_card_changes');
    }
};
