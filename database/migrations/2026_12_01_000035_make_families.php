<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Items that differ in one property or two: a family, the values of its properties, and the item of each cell. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('families', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 12)->charset('ascii')->comment('what the codes of its items begin with');
            $table->string('name', 100);
            $table->foreignId('department_id')->constrained();
            $table->string('first', 40)->comment('the property down the side');
            $table->string('second', 40)->default('')->comment('the property across; empty: there is only one');
            $table->decimal('list_price', 14, 4)->nullable()->comment('of the cells that have none of their own');
            $table->unsignedInteger('version')->default(1);
            $table->unique('code');
            $table->index('name');
        });

        Schema::create('family_values', static function (Blueprint $table): void {
            $table->foreignId('family_id')->constrained();
            $table->unsignedTinyInteger('axis');
            $table->unsignedSmallInteger('position')->comment('from 1; kept for good');
            $table->string('value', 40);
            $table->primary(['family_id', 'axis', 'position']);
            $table->unique(['family_id', 'axis', 'value']);
        });
        Rows::check('family_values', 'family_axis', 'axis in (1, 2) and position > 0');

        Schema::table('items', static function (Blueprint $table): void {
            $table->foreignId('family_id')->nullable()->constrained();
            $table->unsignedSmallInteger('first_value')->nullable();
            $table->unsignedSmallInteger('second_value')->nullable()->comment('1 where there is one property only');
            $table->unique(['family_id', 'first_value', 'second_value']);
        });
        Rows::check('items', 'item_of_family', '(family_id is null) = (first_value is null) and '
            .'(family_id is null) = (second_value is null)');
    }
};
