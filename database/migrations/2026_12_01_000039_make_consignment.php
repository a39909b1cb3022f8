<?php

declare(strict_types=1);

use Elmstone\Books\Chain\SealedRows;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Goods that belong to others until they are sold: whose they are, their part of each sale, and what was settled. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('suppliers', static function (Blueprint $table): void {
            $table->decimal('owner_percent', 7, 4)->nullable()->comment('of what is sold of theirs; null: no owner');
            $table->decimal('card_fee_percent', 7, 4)->default(0)->comment('passed on, of what was paid by card');
            $table->foreignId('customer_id')->nullable()->comment('who they are as a customer')->constrained();
        });
        Rows::check('suppliers', 'owner_shares', '(owner_percent is null or owner_percent <= 100) and '
            .'card_fee_percent <= 100');

        Schema::table('items', static function (Blueprint $table): void {
            $table->foreignId('owner_id')->nullable()->comment('whose it is until it is sold')
                ->constrained('suppliers');
            $table->decimal('owner_percent', 7, 4)->nullable();
        });
        Rows::check('items', 'item_consigned', '(owner_id is null) = (owner_percent is null) and '
            .'(owner_id is null or cost = 0)');

        foreach (['slip_lines', 'slip_lines_before'] as $lines) {
            Schema::table($lines, static function (Blueprint $table): void {
                $table->unsignedBigInteger('owner_id')->nullable()->comment('of a thing that is in no list');
                $table->decimal('owner_percent', 7, 4)->nullable();
            });
        }

        Schema::create('document_consigned', static function (Blueprint $table): void {
            $table->unsignedBigInteger('document_id');
            $table->unsignedSmallInteger('position');
            $table->foreignId('owner_id')->constrained('suppliers');
            $table->decimal('percent', 7, 4);
            $table->primary(['document_id', 'position']);
            $table->index(['owner_id', 'document_id', 'position']);
            $table->foreign(['document_id', 'position'])->references(['document_id', 'position'])->on('document_lines');
        });
        Rows::keep('document_consigned');
        SealedRows::of('document_consigned');

        Schema::create('owner_settlements', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('owner_id')->constrained('suppliers');
            $table->foreignId('document_id')->unique()->constrained();
            $table->date('until');
            $table->bigInteger('shares')->comment('minor units');
            $table->bigInteger('fees')->default(0)->comment('minor units, passed on');
            $table->bigInteger('amount')->comment('minor units, paid');
            $table->index(['owner_id', 'id']);
        });
        Rows::check('owner_settlements', 'owner_settled', 'amount = shares - fees and amount > 0 and fees >= 0');
        Rows::keep('owner_settlements');

        Schema::create('settled_lines', static function (Blueprint $table): void {
            $table->unsignedBigInteger('document_id');
            $table->unsignedSmallInteger('position');
            $table->foreignId('settlement_id')->constrained('owner_settlements');
            $table->primary(['document_id', 'position']);
            $table->foreign(['document_id', 'position'])->references(['document_id', 'position'])
                ->on('document_consigned');
        });
        Rows::keep('settled_lines');
    }
};
