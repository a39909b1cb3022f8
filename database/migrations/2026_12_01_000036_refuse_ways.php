<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which ways of paying are not taken from a customer, and why. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('customers', static function (Blueprint $table): void {
            $table->json('refused_ways')->nullable()->comment('why, by the kind of tender; null: all are taken');
        });
        Schema::table('shop', static function (Blueprint $table): void {
            $table->boolean('refuse_after_bounce')->default(true)->comment('cheques, of whose came back');
        });
    }
};
