<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Payment plans. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('plans', static function (Blueprint $table): void {
            $table->id();
            $table->string('label', 20)->charset('ascii')->nullable()->comment('PLN- and the id');
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('invoice_id')->constrained('documents');
            $table->foreignId('charge_id')->nullable()->constrained('documents');
            $table->foreignId('document_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->bigInteger('principal');
            $table->bigInteger('charge');
            $table->string('rhythm', 10);
            $table->date('made_on');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['customer_id', 'id']);
            $table->unique('label');
        });

        Schema::create('plan_parts', static function (Blueprint $table): void {
            $table->foreignId('plan_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->foreignId('document_id')->constrained();
            $table->date('due');
            $table->bigInteger('amount');
            $table->unique('document_id');
            $table->primary(['plan_id', 'position']);
        });
        Rows::keep('plan_parts');
    }
};
