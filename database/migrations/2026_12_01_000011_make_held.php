<?php

declare(strict_types=1);

use Elmstone\Books\Chain\SealedRows;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Money held for others: accounts of every kind and their entries; gift cards. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('held_accounts', static function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 20)->comment('deposit, gift_card, layaway, store_credit');
            $table->foreignId('customer_id')->nullable()->constrained()->comment('whose it is; null: the bearer’s');
            $table->boolean('sole')->nullable()->comment('true: their only one of the kind; null: one of many');
            $table->bigInteger('balance')->default(0)->comment('kept under the row’s lock; proved against the entries');
            $table->unique(['kind', 'customer_id', 'sole']);
            $table->index(['kind', 'balance']);
        });
        Rows::check('held_accounts', 'held_not_below_zero', 'balance >= 0');

        Schema::create('held_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('held_accounts');
            $table->foreignId('document_id')->constrained();
            $table->string('movement', 10)->comment('in, used, fee, back, returned, moved, merged');
            $table->string('kept_for', 60)->default('')->comment('the order it is kept for; empty: free');
            $table->bigInteger('amount')->comment('below zero: it left');
            $table->date('business_date');
            $table->index(['account_id', 'business_date', 'amount']);
            $table->index(['business_date', 'account_id', 'amount']);
        });
        Rows::keep('held_entries');
        // A later merge of customers moves what each has one account of, under the documents it came by.
        SealedRows::of(
            'held_entries',
            "NOT (NEW.movement = 'merged' AND EXISTS (SELECT 1 FROM held_accounts WHERE id = NEW.account_id AND sole))",
        );

        Schema::create('gift_cards', static function (Blueprint $table): void {
            $table->id();
            $table->char('code', 48)->charset('ascii')->collation('ascii_bin')->comment('keyed digest and last four');
            $table->foreignId('account_id')->unique()->constrained('held_accounts')->comment('what it is worth');
            $table->date('issued_on');
            $table->date('expires_on')->nullable()->comment('its last day; null: none');
            $table->boolean('blocked')->default(false);
            $table->timestamp('made_at', 3)->useCurrent();
            $table->text('number')->nullable()->comment('encrypted, until it is printed');
            $table->unique('code');
        });

        Schema::create('gift_card_codes', static function (Blueprint $table): void {
            $table->char('code', 48)->charset('ascii')->collation('ascii_bin')->comment('keyed digest and last four');
            $table->foreignId('gift_card_id')->constrained();
            $table->boolean('counts')->default(true)->comment('false: lost, and replaced by another');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->char('seal', 64)->charset('ascii')->collation('ascii_bin')->default('');
            $table->primary('code');
        });

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
