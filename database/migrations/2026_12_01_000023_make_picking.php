<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was picked of an order and has not left yet. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('order_picks', static function (Blueprint $table): void {
            $table->unsignedBigInteger('agreement_id');
            $table->unsignedSmallInteger('position');
            $table->decimal('quantity', 14, 4);
            $table->json('serials')->nullable();
            $table->boolean('taken')->default(false)->comment('it has left the house and is not invoiced yet');
            $table->uuid('act')->comment('the last: sent again it counts once');
            $table->primary(['agreement_id', 'position']);
            $table->foreign(['agreement_id', 'position'])
                ->references(['agreement_id', 'position'])
                ->on('order_lines')
                ->cascadeOnDelete();
        });
        Rows::check('order_picks', 'order_pick_quantity', 'quantity > 0');
    }

    public function down(): void
    {
        Schema::dropIfExists('order_picks');
    }
};
