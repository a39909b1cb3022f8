<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Old goods get cheaper: a department's steps, what the morning proposes, and what was taken. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('items', static function (Blueprint $table): void {
            $table->decimal('marked_price', 14, 4)->nullable()->comment('marked down by age; null: not');
            $table->date('marked_on')->nullable();
            $table->index('marked_on');
        });
        Rows::check('items', 'item_marked', '(marked_price is null) = (marked_on is null) and '
            .'(marked_price is null or marked_price >= 0)');

        Schema::create('markdown_steps', static function (Blueprint $table): void {
            $table->foreignId('department_id')->constrained();
            $table->unsignedSmallInteger('after')->comment('days since goods last came in');
            $table->decimal('percent', 7, 4)->comment('off the list price');
            $table->primary(['department_id', 'after']);
        });
        Rows::check('markdown_steps', 'markdown_step', 'after > 0 and percent > 0 and percent <= 100');

        Schema::create('markdown_proposals', static function (Blueprint $table): void {
            // Made anew each morning out of the items themselves: nothing to hold to, and a lot to write at once.
            $table->unsignedBigInteger('item_id')->primary();
            $table->unsignedBigInteger('department_id');
            $table->unsignedTinyInteger('step');
            $table->unsignedSmallInteger('days')->comment('since goods last came in');
            $table->decimal('on_hand', 16, 4);
            $table->decimal('price', 14, 4)->nullable()->comment('null: it goes back to its other prices');
            $table->boolean('held_by_floor')->default(false);
        });

        Schema::create('markdown_state', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
            $table->date('worked_on')->nullable()->comment('the day the proposals are of');
            $table->unsignedInteger('version')->default(0)->comment('how often they were worked out');
        });
        DB::table('markdown_state')->insert(['id' => 1]);
    }
};
