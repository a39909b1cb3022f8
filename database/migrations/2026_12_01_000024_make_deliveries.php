<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The shop's lorries, and where they stop on a day. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('vehicles', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('location_id')->constrained();
            $table->string('name', 60);
            $table->decimal('carries', 10, 2)->nullable()->comment('kilograms; null: nobody has said');
            $table->boolean('active')->default(true);
            $table->unique(['location_id', 'name']);
        });

        Schema::create('stops', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agreement_id')->constrained();
            $table->foreignId('vehicle_id')->constrained();
            $table->date('day');
            $table->unsignedSmallInteger('sequence');
            $table->string('state', 10)->default('planned')->comment('planned, delivered, failed');
            $table->json('left')->nullable()->comment('what was accepted, by position of the order');
            $table->string('said', 255)->default('')->comment('what was refused or why it failed');
            $table->string('signed_by', 120)->default('');
            $table->mediumText('signature')->nullable();
            $table->dateTime('ended_at')->nullable();
            $table->foreignId('ended_by')->nullable()->constrained('staff');
            $table->foreignId('document_id')->nullable()->comment('its invoice')->constrained();
            $table->string('not_invoiced', 255)->default('')->comment('why it has none yet');
            $table->unsignedInteger('version')->default(1);
            $table->unsignedBigInteger('planned')->nullable()
                ->storedAs("CASE WHEN state = 'planned' THEN agreement_id END");
            $table->unique('planned');
            $table->index(['vehicle_id', 'day', 'sequence']);
            $table->index(['day', 'state']);
        });
        Rows::check('stops', 'stop_state', "state IN ('planned', 'delivered', 'failed')");
    }

    public function down(): void
    {
        Schema::dropIfExists('stops');
        Schema::dropIfExists('vehicles');
    }
};
