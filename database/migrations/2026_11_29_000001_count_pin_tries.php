<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Tries of PINs, per staff number and till. A demonstration that was not loaded to its end says so. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table(
            'shop',
            static fn (Blueprint $table) => $table
                ->boolean('loading')
                ->default(false)
                ->comment('the demonstration is being loaded'),
        );
        // What a person handed out on a day is asked with every refund.
        Schema::table('documents', static fn (Blueprint $table) => $table->index(['staff_id', 'kind', 'posted_at']));
        Schema::create('pin_tries', static function (Blueprint $table): void {
            $table
                ->string('number', 20)
                ->comment('as it was typed, whether anybody has it or not; empty: all of the till');
            $table->foreignId('till_id')->constrained();
            $table->unsignedSmallInteger('tries')->default(0);
            $table->dateTime('since');
            $table->primary(['number', 'till_id']);
        });
        Schema::table('staff', static fn (Blueprint $table) => $table->dropColumn(['failed_tries', 'locked_until']));
    }
};
