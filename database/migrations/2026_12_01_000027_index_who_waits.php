<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Lines that wait for goods are read from the oldest on, without those that never will again; and those that a lorry is
 * to bring, without all others.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('order_lines', static function (Blueprint $table): void {
            $table->boolean('waiting')
                ->storedAs('item_id IS NOT NULL AND ordered - supplied - cancelled - aside > 0')
                ->comment('for goods with a number');
            $table->index(['location_id', 'waiting', 'agreement_id', 'position'], 'order_lines_oldest');
            $table->boolean('brought')->default(false)->comment('by a lorry of the shop');
            $table->boolean('to_bring')->storedAs('brought AND aside > 0');
            $table->index(['location_id', 'to_bring', 'agreement_id'], 'order_lines_to_bring');
        });
        DB::update(
            'UPDATE order_lines o JOIN agreements a ON a.id = o.agreement_id JOIN agreement_lines l ON '
                .'l.agreement_id = o.agreement_id AND l.revision = a.revision AND l.position = o.position '
                ."SET o.brought = COALESCE(l.way = 'delivery', 0)",
        );
    }
};
