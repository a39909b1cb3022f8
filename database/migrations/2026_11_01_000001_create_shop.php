<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('shop', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->char('currency', 3);
            $table->boolean('tax_included')->default(false);
            $table->string('tax_rounding', 10)->default('document');
            $table->unsignedBigInteger('cash_step')->nullable()->comment('minor units; null: cash is not rounded');
            $table->json('notes')->comment('bank notes in use, minor units');
            $table->string('receipt_foot')->default('');
        });

        Schema::create('tax_classes', function (Blueprint $table): void {
            $table->string('code', 20)->primary();
            $table->char('letter', 1)->unique()->comment('printed beside a line');
            $table->string('name');
        });

        Schema::create('tax_profiles', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
        });

        Schema::create('tax_components', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('tax_profile_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('code', 20);
            $table->string('name');
            $table->decimal('rate', 8, 4);
            $table->json('classes');
            $table->json('on_top_of');
            $table->unique(['tax_profile_id', 'code']);
            $table->unique(['tax_profile_id', 'position']);
        });

        Schema::create('locations', function (Blueprint $table): void {
            $table->id();
            $table->string('code', 4)->unique();
            $table->string('name');
            $table->string('street');
            $table->string('town');
            $table->string('phone');
            $table->foreignId('tax_profile_id')->constrained();
            $table->date('closed_through')->comment('business days up to here are closed');
        });

        Schema::create('tills', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('location_id')->constrained();
            $table->unsignedSmallInteger('number')->unique();
            $table->string('name');
        });
    }
};
