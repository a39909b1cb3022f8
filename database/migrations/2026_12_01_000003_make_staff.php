<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** People, limits, approvals, wrong tries at the doors, the security log. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('staff', static function (Blueprint $table): void {
            $table->id();
            $table->string('number', 8);
            $table->string('name');
            $table->string('role', 20);
            $table->string('pin_hash');
            $table->boolean('active')->default(true);
            $table->timestamps();
            $table->char('last_slip', 36)->charset('ascii')->collation('ascii_bin')->nullable()
                ->comment('the slip they had on the counter last');
            $table->unsignedInteger('epoch')->default(0)->comment('counts what ended their sessions');
            $table->unique('number');
        });

        Schema::create('role_limits', static function (Blueprint $table): void {
            $table->string('role', 20);
            $table->string('matter', 30);
            $table->bigInteger('per_document')->nullable()->comment('minor units without approval; null: any');
            $table->bigInteger('per_original')->nullable();
            $table->bigInteger('per_day')->nullable();
            $table->bigInteger('approves')->nullable()->comment('may be approved for others; null: any');
            $table->primary(['role', 'matter']);
        });

        Schema::create('pin_tries', static function (Blueprint $table): void {
            $table->string('number', 20)->comment('as it was typed, whether anybody has it or not; empty: all of the '
                .'till');
            $table->foreignId('till_id')->constrained();
            $table->unsignedSmallInteger('tries')->default(0);
            $table->dateTime('since');
            $table->primary(['number', 'till_id']);
        });

        Schema::create('security_log', static function (Blueprint $table): void {
            $table->id();
            $table->string('what', 30);
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->foreignId('till_id')->nullable()->constrained();
            $table->string('about')->default('');
            $table->string('address', 45)->charset('ascii')->default('');
            $table->dateTime('at', 3);
            $table->index('at');
            $table->index(['staff_id', 'id']);
            $table->index(['till_id', 'at']);
            $table->index(['what', 'id']);
        });
        Rows::keep('security_log');

        Schema::create('approvals', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('asked_by')->constrained('staff');
            $table->foreignId('approved_by')->constrained('staff');
            $table->unsignedBigInteger('slip_id')->nullable();
            $table->string('what', 40);
            $table->string('detail');
            $table->string('reason');
            $table->timestamp('approved_at')->useCurrent();
            $table->string('place', 60)->default('')->comment('what on the slip it is for');
            $table->json('figures')->nullable()->comment('what it covers; null: from before figures were kept');
            $table->index('slip_id');
        });
        Rows::keep('approvals');
        Rows::refuse(
            'approvals',
            'INSERT',
            'by_another',
            'NEW.asked_by = NEW.approved_by',
            'Nobody approves what they ask for themselves',
        );
    }
};
