<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What paying by card costs who pays: by place and kind of card, and what of it each question to a terminal asked. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('card_surcharges', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('location_id')->constrained();
            $table->string('card_type', 20)->charset('ascii');
            $table->decimal('percent', 7, 4);
            $table->bigInteger('cap')->nullable()->comment('minor units; null: none');
            $table->unique(['location_id', 'card_type']);
        });
        Rows::check('card_surcharges', 'surcharge_percent', 'percent > 0 and percent <= 100 and '
            .'(cap is null or cap > 0)');

        Schema::table('locations', static function (Blueprint $table): void {
            $table->string('surcharge_words', 300)->default('')->comment('what the law wants said before');
            $table->string('surcharge_class', 20)->nullable()->comment('its tax class; null: not taxed');
            $table->decimal('surcharge_most', 7, 4)->nullable()->comment('percent, by law; null: not said');
        });

        Schema::table('card_requests', static function (Blueprint $table): void {
            $table->bigInteger('surcharge')->default(0)->comment('minor units, before tax is added');
            $table->bigInteger('surcharge_total')->default(0)->comment('minor units of what moved, tax in it');
            $table->string('surcharge_class', 20)->nullable();
            $table->decimal('surcharge_percent', 7, 4)->nullable();
            $table->unsignedSmallInteger('surcharge_line')->nullable()->comment('its place on the document');
            $table->string('read_as', 12)->default('')->comment('the kind of card that was read before it was asked');
        });
    }
};
