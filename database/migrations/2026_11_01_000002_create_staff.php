<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('staff', function (Blueprint $table): void {
            $table->id();
            $table->string('number', 8)->unique();
            $table->string('name');
            $table->string('role', 20);
            $table->string('pin_hash');
            $table->boolean('active')->default(true);
            $table->unsignedSmallInteger('failed_tries')->default(0);
            $table->timestamp('locked_until')->nullable();
            $table->timestamps();
        });

        Schema::create('approvals', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('asked_by')->constrained('staff');
            $table->foreignId('approved_by')->constrained('staff');
            $table->unsignedBigInteger('slip_id')->nullable()->index();
            $table->string('what', 40);
            $table->string('detail');
            $table->string('reason');
            $table->timestamp('approved_at')->useCurrent();
        });
    }
};
