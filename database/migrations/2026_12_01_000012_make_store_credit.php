<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Store credit. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('store_credit_accounts', static function (Blueprint $table): void {
            $table->foreignId('customer_id')->constrained();
            $table->bigInteger('held')->default(0)->comment('kept under the row’s lock; proved against the entries');
            $table->primary('customer_id');
            $table->index(['held', 'customer_id']);
        });
        Rows::check('store_credit_accounts', 'store_credit_not_below_zero', 'held >= 0');

        Schema::create('store_credit_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->bigInteger('amount')->comment('below zero: used or paid out');
            $table->date('business_date');
            $table->index(['business_date', 'customer_id', 'amount']);
            $table->index(['customer_id', 'business_date', 'amount']);
        });
        Rows::keep('store_credit_entries');
    }
};
