<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Customers and what is agreed with them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('price_levels', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 40);
            $table->decimal('percent_off', 8, 4)->default('0.0000')->comment('off the list price, where the level '
                .'has no price of its own for an item');
            $table->unique('name');
        });

        Schema::create('customer_types', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 40);
            $table->foreignId('price_level_id')->nullable()->constrained();
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->unique('name');
        });

        Schema::create('customers', static function (Blueprint $table): void {
            $table->id();
            $table->unsignedInteger('number')->comment('also the account number');
            $table->string('kind', 10)->default('person');
            $table->string('name', 120);
            $table->string('phone', 40)->default('');
            $table->string('phone_digits', 20)->charset('ascii')->collation('ascii_bin')->default('');
            $table->string('mail', 160)->default('');
            $table->string('street', 120)->default('');
            $table->string('postcode', 20)->default('');
            $table->string('town', 80)->default('');
            $table->char('country', 2)->default('US');
            $table->string('tax_number', 40)->default('');
            $table->foreignId('customer_type_id')->nullable()->constrained();
            $table->decimal('discount_percent', 8, 4)->nullable()->comment('their own; null: their type’s');
            $table->json('exempt')->nullable()->comment('tax components; ["*"]: all; null: none');
            $table->string('certificate', 40)->default('');
            $table->date('certificate_expires')->nullable();
            $table->string('name_key', 120)->charset('ascii')->collation('ascii_bin')->default('')
                ->comment('the name without what differs by chance');
            $table->string('search', 500)->charset('ascii')->collation('ascii_bin')->default('')
                ->comment('everything they are found by, in lower case');
            $table->foreignId('merged_into_id')->nullable()->constrained('customers');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps(3);
            $table->index('customer_type_id');
            $table->index('mail');
            $table->index('name');
            $table->index('name_key');
            $table->unique('number');
            $table->index('phone_digits');
            $table->index(['search', 'merged_into_id']);
        });

        Schema::create('contacts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('name', 120);
            $table->string('phone', 40)->default('');
            $table->string('mail', 160)->default('');
            $table->boolean('may_buy')->default(true);
            $table->bigInteger('spending_limit')->nullable()->comment('minor units per sale; null: the account’s');
            $table->boolean('active')->default(true);
        });

        Schema::create('customer_addresses', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('label', 40);
            $table->string('street', 120);
            $table->string('postcode', 20)->default('');
            $table->string('town', 80);
            $table->char('country', 2)->default('US');
        });

        Schema::create('customer_notes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('text', 500);
            $table->boolean('at_counter')->default(true);
            $table->timestamp('written_at', 3)->useCurrent();
            $table->timestamp('gone_at', 3)->nullable();
        });

        Schema::create('customer_tags', static function (Blueprint $table): void {
            $table->foreignId('customer_id')->constrained();
            $table->string('tag', 30);
            $table->index('tag');
            $table->primary(['customer_id', 'tag']);
        });

        Schema::create('customer_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('what', 40);
            $table->string('before')->default('');
            $table->string('after')->default('');
            $table->string('reason')->default('');
            $table->timestamp('changed_at', 3)->useCurrent();
            $table->index(['customer_id', 'id']);
        });
        Rows::keep('customer_changes');

        Schema::create('level_prices', static function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->foreignId('price_level_id')->constrained();
            $table->decimal('price', 14, 4);
            $table->primary(['item_id', 'price_level_id']);
        });

        Schema::create('contract_prices', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('item_id')->constrained();
            $table->decimal('price', 14, 4);
            $table->date('from_date')->nullable();
            $table->date('until_date')->nullable();
            $table->string('name', 60)->default('');
            $table->index(['customer_id', 'item_id']);
        });

        Schema::create('certificate_scans', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('name', 120);
            $table->string('mime', 40);
            $table->timestamp('stored_at', 3)->useCurrent();
            $table->rawColumn('bytes', 'MEDIUMBLOB');
            $table->index(['customer_id', 'id'], 'certificate_scans_customer');
        });

        Schema::create('mail_history', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('recipient');
            $table->string('subject');
            $table->timestamp('sent_at', 3)->useCurrent()->index();
            $table->index(['customer_id', 'id'], 'mail_history_customer');
        });
    }
};
