<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Sales that were written on a pad or rung up elsewhere, entered at the end of the day: each row once. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop', static function (Blueprint $table): void {
            $table->boolean('takings_by_day')->default(false)->comment('one document a day; else one a sale');
        });

        Schema::create('takings', static function (Blueprint $table): void {
            $table->id();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin')->unique();
            $table->foreignId('staff_id')->constrained('staff');
            $table->foreignId('location_id')->constrained();
            $table->foreignId('customer_id')->nullable()->constrained();
            $table->boolean('by_day');
            $table->unsignedInteger('count')->comment('rows');
            $table->bigInteger('amount')->comment('minor units, what was taken');
            $table->timestamp('made_at', 3)->useCurrent();
        });
        Rows::keep('takings');

        Schema::create('takings_rows', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('taking_id')->constrained('takings');
            $table->char('fingerprint', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->date('sold_on');
            $table->time('sold_at')->nullable();
            $table->string('number', 40)->default('')->comment('their document’s');
            $table->string('who', 80)->default('');
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->bigInteger('taken')->comment('minor units, tax in it');
            $table->index(['who', 'sold_on']);
            $table->index(['number', 'sold_on']);
            $table->unique(['document_id', 'position']);
        });
        Rows::keep('takings_rows');
    }
};
