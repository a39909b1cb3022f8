<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('departments', function (Blueprint $table): void {
            $table->id();
            $table->string('code', 10)->unique();
            $table->string('name');
        });

        Schema::create('items', function (Blueprint $table): void {
            $table->id();
            $table->string('code', 24)->charset('ascii')->collation('ascii_general_ci')->unique();
            $table->string('barcode', 14)->charset('ascii')->collation('ascii_bin')->nullable();
            $table
                ->char('gtin', 14)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->nullable()
                ->storedAs("lpad(barcode, 14, '0')")
                ->unique();
            $table->string('description', 160);
            $table->foreignId('department_id')->constrained();
            $table->string('unit', 12)->default('each');
            $table->unsignedSmallInteger('price_per')->default(1);
            $table->decimal('list_price', 14, 4);
            $table->decimal('floor_price', 14, 4)->nullable();
            $table->decimal('cost', 14, 4)->comment('moving average per unit of price_per');
            $table->string('tax_class', 20);
            $table->foreign('tax_class')->references('code')->on('tax_classes');
            $table->boolean('may_discount')->default(true);
            $table->boolean('net_price')->default(false);
            $table->boolean('active')->default(true);
            $table->timestamps();
            $table->index(['active', 'description']);
            $table->index(['department_id', 'description']);
            $table->index('description');
        });
        DB::statement('ALTER TABLE items ADD CONSTRAINT item_price_per CHECK (price_per IN (1, 100, 1000))');
        DB::statement(
            'ALTER TABLE items ADD CONSTRAINT item_prices CHECK (list_price >= 0 AND cost >= 0 AND (floor_price IS '
                .'NULL OR floor_price >= 0))',
        );

        Schema::create('words', function (Blueprint $table): void {
            $table->id();
            $table->string('word', 60)->charset('utf8mb4')->collation('utf8mb4_bin')->unique();
        });

        Schema::create('item_words', function (Blueprint $table): void {
            $table->foreignId('word_id')->constrained();
            $table->foreignId('item_id')->constrained()->cascadeOnDelete();
            $table->primary(['word_id', 'item_id']);
        });

        Schema::create('quantity_breaks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->decimal('from_quantity', 14, 4);
            $table->decimal('price', 14, 4);
            $table->unique(['item_id', 'from_quantity']);
        });

        Schema::create('promotions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->string('name');
            $table->decimal('price', 14, 4);
            $table->date('from_date')->nullable();
            $table->date('until_date')->nullable();
        });

        Schema::create('price_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('field', 40);
            $table->string('was', 60)->nullable();
            $table->string('became', 60)->nullable();
            $table->timestamp('changed_at')->useCurrent();
        });

        Schema::create('stock', function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->decimal('on_hand', 16, 4)->default(0);
            $table->decimal('committed', 16, 4)->default(0);
            $table->primary(['item_id', 'location_id']);
        });
        DB::statement('ALTER TABLE stock ADD CONSTRAINT stock_committed CHECK (committed >= 0)');
    }
};
