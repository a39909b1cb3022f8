<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Deposits held. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('deposit_accounts', static function (Blueprint $table): void {
            $table->foreignId('customer_id')->constrained();
            $table->bigInteger('held')->default(0)->comment('kept under the row’s lock; proved against the entries');
            $table->index(['held', 'customer_id']);
            $table->primary('customer_id');
        });
        Rows::check('deposit_accounts', 'deposits_not_below_zero', 'held >= 0');

        Schema::create('deposit_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->string('kept_for', 60)->default('')->comment('the order it is kept for; empty: free');
            $table->bigInteger('amount')->comment('below zero: used or paid back');
            $table->date('business_date');
            $table->index(['business_date', 'customer_id', 'amount']);
            $table->index(['customer_id', 'business_date', 'amount']);
        });
        Rows::keep('deposit_entries');
    }
};
