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
        $this->prices();
        $this->customers();
        $this->besides();
    }

    private function prices(): void
    {
        Schema::create('price_levels', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 40)->unique();
            $table
                ->decimal('percent_off', 8, 4)
                ->default(0)
                ->comment('off the list price, where the level has no price of its own for an item');
        });

        Schema::create('level_prices', function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->foreignId('price_level_id')->constrained();
            $table->decimal('price', 14, 4);
            $table->primary(['item_id', 'price_level_id']);
        });
    }

    private function customers(): void
    {
        Schema::create('customer_types', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 40)->unique();
            $table->foreignId('price_level_id')->nullable()->constrained();
            $table->decimal('discount_percent', 8, 4)->nullable();
        });

        Schema::create('customers', function (Blueprint $table): void {
            $table->id();
            $table->unsignedInteger('number')->unique()->comment('also the account number');
            $table->string('kind', 10)->default('person');
            $table->string('name', 120)->index();
            $table->string('phone', 40)->default('');
            $table->string('phone_digits', 20)->charset('ascii')->collation('ascii_bin')->default('')->index();
            $table->string('mail', 160)->default('')->index();
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
            $table
                ->string('name_key', 120)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->default('')
                ->index()
                ->comment('the name without what differs by chance');
            $table
                ->string('search', 500)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->default('')
                ->comment('everything they are found by, in lower case');
            $table->foreignId('merged_into_id')->nullable()->constrained('customers');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps(3);
            $table->index('customer_type_id');
            $table->index(['search', 'merged_into_id']);
        });

        Schema::create('contacts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('name', 120);
            $table->string('phone', 40)->default('');
            $table->string('mail', 160)->default('');
            $table->boolean('may_buy')->default(true);
            $table->bigInteger('spending_limit')->nullable()->comment('minor units per sale; null: the account’s');
            $table->boolean('active')->default(true);
        });

        Schema::create('customer_addresses', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('label', 40);
            $table->string('street', 120);
            $table->string('postcode', 20)->default('');
            $table->string('town', 80);
            $table->char('country', 2)->default('US');
        });
    }

    private function besides(): void
    {
        Schema::create('customer_notes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('text', 500);
            $table->boolean('at_counter')->default(true);
            $table->timestamp('written_at', 3)->useCurrent();
            $table->timestamp('gone_at', 3)->nullable();
        });

        Schema::create('customer_tags', function (Blueprint $table): void {
            $table->foreignId('customer_id')->constrained();
            $table->string('tag', 30);
            $table->primary(['customer_id', 'tag']);
            $table->index('tag');
        });

        Schema::create('contract_prices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('item_id')->constrained();
            $table->decimal('price', 14, 4);
            $table->date('from_date')->nullable();
            $table->date('until_date')->nullable();
            $table->string('name', 60)->default('');
            $table->index(['customer_id', 'item_id']);
        });

        Schema::create('certificate_scans', function (Blueprint $table): void {
            $table->foreignId('customer_id')->primary()->constrained();
            $table->string('name', 120);
            $table->string('mime', 40);
            $table->timestamp('stored_at', 3)->useCurrent();
        });
        DB::statement('ALTER TABLE certificate_scans ADD COLUMN bytes MEDIUMBLOB NOT NULL');

        Schema::create('customer_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('what', 40);
            $table->string('before', 255)->default('');
            $table->string('after', 255)->default('');
            $table->string('reason', 255)->default('');
            $table->timestamp('changed_at', 3)->useCurrent();
            $table->index(['customer_id', 'id']);
        });

        foreach (['UPDATE', 'DELETE'] as $change) {
            DB::unprepared(
                "CREATE TRIGGER customer_changes_no_{$change} BEFORE {$change} ON customer_changes FOR EACH ROW "
                    ."SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Posted is posted: customer_changes rows are never "
                    ."changed'",
            );
        }
    }
};
