<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** How long postings took and how often pages broke: counts by day, machine and time. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('measured', static function (Blueprint $table): void {
            $table->date('day');
            $table->string('node', 60)->charset('ascii');
            $table->string('what', 20)->charset('ascii');
            $table->unsignedInteger('up_to')->comment('milliseconds; 0: more than the last step');
            $table->unsignedBigInteger('times')->default(0);
            $table->unsignedBigInteger('total')->default(0)->comment('milliseconds');
            $table->primary(['day', 'node', 'what', 'up_to']);
        });
    }
};
