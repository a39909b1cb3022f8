<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Points for what is bought: the programme, who takes part, and every point collected, taken back, used or run out. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop', static function (Blueprint $table): void {
            $table->json('rewards')->nullable()->comment('null: there is no programme');
        });
        Schema::table('departments', static function (Blueprint $table): void {
            $table->decimal('reward_rate', 14, 4)->nullable()->comment('points per unit of net; null: the programme’s');
        });
        Schema::table('customers', static function (Blueprint $table): void {
            $table->date('rewards_on')->nullable()->comment('takes part since; null: does not');
            $table->index('rewards_on');
        });

        Schema::create('mornings', static function (Blueprint $table): void {
            $table->string('name', 120)->charset('ascii')->primary();
            $table->date('done_on');
        });

        Schema::create('reward_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('kind', 8)->charset('ascii')->comment('earned, back, turned, expired, merged');
            $table->bigInteger('points')->comment('below zero: less than before');
            $table->decimal('weighed', 24, 6)->default(0)->comment('net × rate, of what was sold or came back');
            $table->json('rates')->nullable()->comment('points per unit by department, of what was sold');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->unsignedBigInteger('origin_id')->nullable()->comment('the sale it takes back from');
            $table->date('business_date');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->unique(['document_id', 'kind', 'origin_id']);
            $table->index(['customer_id', 'id']);
            $table->index(['customer_id', 'kind', 'business_date', 'points'], 'reward_entries_by_age');
            $table->index(['origin_id', 'kind']);
        });
        Rows::check('reward_entries', 'reward_kind', "kind in ('earned', 'back', 'turned', 'expired', 'merged')");
        Rows::keep('reward_entries');
    }
};
