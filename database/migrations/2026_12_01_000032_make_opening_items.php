<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was open when these books began, by the number it had before. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('opening_items', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->foreignId('customer_id')->constrained('house_accounts', 'customer_id');
            $table->string('number', 40);
            $table->date('dated');
            $table->primary('document_id');
            $table->unique(['customer_id', 'number']);
            $table->index('number');
        });
        Rows::keep('opening_items');
    }
};
