<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Lines that wait for goods are read from the oldest on, without those that never will again. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('order_lines', static function (Blueprint $table): void {
            $table->boolean('waiting')
                ->storedAs('item_id IS NOT NULL AND ordered - supplied - cancelled - aside > 0')
                ->comment('for goods with a number');
            $table->index(['location_id', 'waiting', 'agreement_id', 'position'], 'order_lines_oldest');
        });
    }
};
