<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is locked while somebody hands money or goods out: a row of its own, since documents name people, too. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('money_gates', static function (Blueprint $table): void {
            $table->foreignId('staff_id')->constrained('staff');
            $table->primary('staff_id');
        });
    }
};
