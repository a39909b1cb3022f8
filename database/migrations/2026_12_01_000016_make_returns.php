<?php

declare(strict_types=1);

use Elmstone\Books\Chain\SealedRows;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** By what rules goods come back, and of what money their worth is a share. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('return_policies', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 60);
            $table->boolean('returnable')->default(true);
            $table->unsignedSmallInteger('days')->nullable()->comment('null: for ever');
            $table->decimal('fee_percent', 8, 4)->default('0.0000')->comment('restocking fee');
            $table->string('words')->default('')->comment('in what state goods must be');
            $table->unique('name');
        });
        Schema::table(
            'shop',
            static fn (Blueprint $table) => $table->foreign('return_policy_id')
                ->references('id')
                ->on('return_policies'),
        );
        Schema::table(
            'departments',
            static fn (Blueprint $table) => $table->foreign('return_policy_id')
                ->references('id')
                ->on('return_policies'),
        );
        Schema::table(
            'items',
            static fn (Blueprint $table) => $table->foreign('return_policy_id')
                ->references('id')
                ->on('return_policies'),
        );

        Schema::create('return_shares', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('document_id')->constrained();
            $table->foreignId('origin_document_id')->nullable()->constrained('documents');
            $table->string('pool', 8)->comment('charged, paid, blind');
            $table->string('way', 20)->comment('a tender’s kind, or fee');
            $table->string('authorisation', 20)->default('')->comment('of the card it went back to');
            $table->bigInteger('amount');
            $table->index(['document_id', 'origin_document_id']);
        });
        Rows::keep('return_shares');
        SealedRows::of('return_shares');
    }
};
