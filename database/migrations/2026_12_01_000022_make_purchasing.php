<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Suppliers, what is bought of them and for whom, what came in, and their invoices. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('suppliers', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 12)->charset('ascii');
            $table->string('name', 120);
            $table->string('mail', 120)->default('');
            $table->string('phone', 40)->default('');
            $table->string('street', 120)->default('');
            $table->string('postcode', 20)->default('');
            $table->string('town', 80)->default('');
            $table->string('our_number', 40)->default('')->comment('what they call us by');
            $table->unsignedSmallInteger('lead_days')->default(7)->comment('from sending an order to its goods');
            $table->boolean('active')->default(true);
            $table->unsignedInteger('version')->default(1);
            $table->unique('code');
            $table->index('name');
        });

        Schema::create('item_suppliers', static function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->foreignId('supplier_id')->constrained();
            $table->string('their_code', 40)->default('');
            $table->decimal('cost', 14, 4)->comment('per unit of the item’s price');
            $table->decimal('pack', 14, 4)->default(1)->comment('is bought in multiples of this');
            $table->boolean('is_first')->default(true)->comment('where it is bought as a rule');
            $table->primary(['item_id', 'supplier_id']);
            $table->index(['supplier_id', 'item_id']);
        });
        Rows::check('item_suppliers', 'bought_for_something', 'cost >= 0 and pack > 0');

        Schema::create('stock_levels', static function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->decimal('least', 14, 4);
            $table->decimal('up_to', 14, 4);
            $table->primary(['item_id', 'location_id']);
            $table->index('location_id');
        });
        Rows::check('stock_levels', 'level_above_least', 'least > 0 and up_to >= least');

        Schema::create('purchases', static function (Blueprint $table): void {
            $table->id();
            $table->string('label', 20)->charset('ascii')->nullable();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('supplier_id')->constrained();
            $table->foreignId('location_id')->constrained()->comment('where the goods are to come');
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('state', 10)->default('draft')->comment('draft, sent, done, cancelled');
            $table->date('made_on');
            $table->date('sent_on')->nullable();
            $table->date('expected_on')->nullable();
            $table->date('ended_on')->nullable();
            $table->string('note', 255)->default('');
            $table->unsignedInteger('version')->default(1);
            $table->unique('key');
            $table->unique('label');
            $table->index(['state', 'expected_on', 'id']);
            $table->index(['supplier_id', 'state', 'id']);
        });
        Rows::check('purchases', 'purchase_state', "state in ('draft', 'sent', 'done', 'cancelled')");

        Schema::create('purchase_lines', static function (Blueprint $table): void {
            $table->foreignId('purchase_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->foreignId('item_id')->constrained();
            $table->string('their_code', 40)->default('');
            $table->decimal('quantity', 14, 4)->comment('ordered; nothing: it came without being ordered');
            $table->decimal('cost', 14, 4)->comment('expected, per unit of price_per');
            $table->unsignedSmallInteger('price_per')->default(1);
            $table->decimal('received', 14, 4)->default(0);
            $table->decimal('cancelled', 14, 4)->default(0)->comment('will not come');
            $table->date('expected_on')->nullable()->comment('where it is another day than the rest');
            $table->primary(['purchase_id', 'position']);
            $table->index(['item_id', 'purchase_id']);
        });
        Rows::check(
            'purchase_lines',
            'purchase_amounts',
            'quantity >= 0 and received >= 0 and cancelled >= 0 and cancelled <= quantity and cost >= 0',
        );

        Schema::create('purchase_links', static function (Blueprint $table): void {
            $table->unsignedBigInteger('purchase_id');
            $table->unsignedSmallInteger('position');
            $table->foreignId('agreement_id')->constrained();
            $table->unsignedSmallInteger('line')->comment('of the agreement');
            $table->decimal('quantity', 14, 4)->comment('still to come for it');
            $table->primary(['purchase_id', 'position', 'agreement_id', 'line']);
            $table->index(['agreement_id', 'line']);
            $table->foreign(['purchase_id', 'position'])->references(['purchase_id', 'position'])->on('purchase_lines');
        });
        Rows::check('purchase_links', 'link_amount', 'quantity > 0');

        Schema::create('supplier_invoices', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('supplier_id')->constrained();
            $table->string('number', 40);
            $table->date('dated');
            $table->bigInteger('amount');
            $table->foreignId('document_id')->unique()->constrained();
            $table->unique(['supplier_id', 'number']);
        });

        Schema::create('deliveries', static function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->foreignId('purchase_id')->constrained();
            $table->string('delivery_note', 60)->default('');
            $table->bigInteger('freight')->default(0);
            $table->bigInteger('amount')->comment('what the goods cost, freight in it');
            $table->foreignId('invoice_id')->nullable()->comment('null: not invoiced yet')
                ->constrained('supplier_invoices');
            $table->index(['purchase_id', 'document_id']);
            $table->index(['invoice_id', 'document_id']);
        });

        Schema::create('delivery_lines', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained('deliveries', 'document_id');
            $table->unsignedSmallInteger('position')->comment('of the purchase');
            $table->decimal('quantity', 14, 4)->comment('taken in');
            $table->decimal('refused', 14, 4)->default(0)->comment('not taken in: damaged, wrong');
            $table->string('refused_why', 120)->default('');
            $table->bigInteger('amount')->comment('without freight');
            $table->primary(['document_id', 'position']);
        });
        Rows::keep('delivery_lines');

        Schema::create('delivery_served', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained('deliveries', 'document_id');
            $table->foreignId('agreement_id')->constrained();
            $table->unsignedSmallInteger('line')->comment('of the agreement');
            $table->decimal('quantity', 14, 4);
            $table->primary(['document_id', 'agreement_id', 'line']);
        });
    }
};
