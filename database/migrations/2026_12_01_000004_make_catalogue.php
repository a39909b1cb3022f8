<?php

declare(strict_types=1);

use Elmstone\Books\Chain\SealedRows;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Items, their words and prices, and the quantities of them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('departments', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 10);
            $table->string('name');
            $table->unsignedBigInteger('return_policy_id')->nullable();
            $table->unique('code');
        });

        Schema::create('items', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 24)->charset('ascii');
            $table->string('code_plain', 24)->charset('ascii')->storedAs("REGEXP_REPLACE(code, '[^A-Za-z0-9]', '')")
                ->comment('as it is typed by who leaves out what is between');
            $table->string('barcode', 14)->charset('ascii')->collation('ascii_bin')->nullable();
            $table->char('gtin', 14)->charset('ascii')->collation('ascii_bin')->nullable()
                ->storedAs('lpad(`barcode`,14,\'0\')');
            $table->string('description', 160);
            $table->foreignId('department_id')->constrained();
            $table->string('unit', 12)->default('each');
            $table->unsignedSmallInteger('price_per')->default(1);
            $table->decimal('list_price', 14, 4);
            $table->decimal('floor_price', 14, 4)->nullable();
            $table->decimal('cost', 14, 4)->comment('moving average per unit of price_per');
            $table->string('tax_class', 20);
            $table->boolean('may_discount')->default(true);
            $table->boolean('net_price')->default(false);
            $table->boolean('active')->default(true);
            $table->timestamps();
            $table->boolean('has_serials')->default(false)->comment('asked for when it is sold or set aside');
            $table->boolean('divisible')->default(false)->comment('sold in parts though it is counted in pieces');
            $table->unsignedBigInteger('return_policy_id')->nullable();
            $table->boolean('has_belongings')->default(false)->comment('whether there are rows in item_belongings');
            $table->string('shelf', 40)->default('')->comment('where it stands');
            $table->decimal('weight', 10, 3)->default(0)->comment('of one unit; 0: not known');
            $table->string('clerk_words', 500)->default('')->comment('what whoever sells it should know or say');
            $table->index(['active', 'description']);
            $table->unique('code');
            $table->index(['department_id', 'description']);
            $table->index('description');
            $table->unique('gtin');
            $table->index('code_plain');
            $table->foreign('tax_class')->references('code')->on('tax_classes');
        });
        Rows::check('items', 'item_price_per', 'price_per in (1,100,1000)');
        Rows::check('items', 'item_prices', 'list_price >= 0 and cost >= 0 and (floor_price is null or floor_price '
            .'>= 0)');

        Schema::create('item_belongings', static function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->unsignedTinyInteger('position');
            $table->foreignId('belongs_id')->constrained('items');
            $table->primary(['item_id', 'position']);
            $table->unique(['item_id', 'belongs_id']);
        });
        Rows::check('item_belongings', 'belongs_to_another', 'item_id <> belongs_id and position between 1 and 3');

        Schema::create('quantity_breaks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->decimal('from_quantity', 14, 4);
            $table->decimal('price', 14, 4);
            $table->unique(['item_id', 'from_quantity']);
        });

        Schema::create('promotions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->string('name');
            $table->decimal('price', 14, 4);
            $table->date('from_date')->nullable();
            $table->date('until_date')->nullable();
        });

        Schema::create('price_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('field', 40);
            $table->string('was', 60)->nullable();
            $table->string('became', 60)->nullable();
            $table->timestamp('changed_at')->useCurrent();
        });
        Rows::keep('price_changes');

        Schema::create('stock', static function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->decimal('on_hand', 16, 4)->default('0.0000');
            $table->decimal('committed', 16, 4)->default('0.0000');
            $table->bigInteger('value')->default(0)->comment('minor units, the sum of what its movements did to '
                .'inventory');
            $table->primary(['item_id', 'location_id']);
        });
        Rows::check('stock', 'stock_committed', 'committed >= 0');

        Schema::create('item_serials', static function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->string('serial', 40)->collation('utf8mb4_bin');
            $table->string('state', 6)->default('in')->comment('in, aside, out');
            $table->unsignedBigInteger('agreement_id')->nullable();
            $table->unsignedBigInteger('document_id')->nullable();
            $table->index('agreement_id');
            $table->index('serial');
            $table->primary(['item_id', 'serial']);
        });

        Schema::create('commitments', static function (Blueprint $table): void {
            $table->unsignedBigInteger('agreement_id');
            $table->foreignId('item_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->decimal('quantity', 14, 4);
            $table->index(['item_id', 'location_id']);
            $table->primary(['agreement_id', 'item_id', 'location_id']);
        });
        Rows::check('commitments', 'commitment_amount', 'quantity > 0');

        Schema::create('stock_movements', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->decimal('quantity', 14, 4)->comment('below zero: left the house');
            $table->decimal('unit_cost', 14, 4);
            $table->bigInteger('value')->default(0)->comment('minor units, as it was posted to inventory');
            $table->string('why', 20);
            $table->unsignedBigInteger('document_id')->nullable();
            $table->date('business_date');
            $table->index(['item_id', 'location_id', 'id']);
            $table->index(
                ['item_id', 'why', 'business_date', 'value', 'quantity', 'location_id'],
                'stock_movements_of_an_item',
            );
        });
        Rows::keep('stock_movements');
        SealedRows::of('stock_movements');

        Schema::create('words', static function (Blueprint $table): void {
            $table->id();
            $table->string('word', 60)->collation('utf8mb4_bin');
            $table->unique('word');
        });

        Schema::create('item_words', static function (Blueprint $table): void {
            $table->foreignId('word_id')->constrained();
            $table->foreignId('item_id')->constrained()->cascadeOnDelete();
            $table->primary(['word_id', 'item_id']);
        });
    }
};
