<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is in one of an item, so that its label can say what a kilogram of it costs. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('items', static function (Blueprint $table): void {
            $table->decimal('content', 14, 4)->nullable()->comment('of one unit, in content_unit; null: not said');
            $table->string('content_unit', 8)->default('');
        });
        Rows::check('items', 'item_content', "content is null or (content > 0 and content_unit <> '')");
        Schema::table('price_changes', static function (Blueprint $table): void {
            $table->index(['changed_at', 'item_id']);
        });
    }
};
