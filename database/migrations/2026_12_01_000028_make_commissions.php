<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Commission that was paid out. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('commission_payments', static function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->foreignId('staff_id')->constrained('staff')->comment('whose commission');
            $table->date('until')->comment('earned up to this day');
            $table->date('business_date');
            $table->bigInteger('amount');
            $table->index(['staff_id', 'business_date']);
        });
        Rows::check('commission_payments', 'commission_paid', 'amount > 0');
        Rows::keep('commission_payments');
    }
};
