<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Settings, locations, tills, tax profiles. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('shop', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->char('currency', 3);
            $table->boolean('tax_included')->default(false);
            $table->string('tax_rounding', 10)->default('document');
            $table->unsignedBigInteger('cash_step')->nullable()->comment('minor units; null: cash is not rounded');
            $table->json('notes')->comment('bank notes in use, minor units');
            $table->string('receipt_foot')->default('');
            $table->unsignedInteger('last_customer_number')->default(1000);
            $table->char('country', 2)->default('US');
            $table->string('postcode', 20)->default('');
            $table->string('tax_number', 40)->default('');
            $table->string('bank_account', 80)->default('')->comment('printed on statements');
            $table->decimal('finance_percent', 8, 4)->nullable()->comment('a month; null: no finance charges');
            $table->unsignedSmallInteger('finance_grace_days')->default(0);
            $table->bigInteger('finance_minimum')->default(0);
            $table->bigInteger('returned_payment_fee')->default(0);
            $table->json('layaway_terms')->nullable()->comment('what is proposed; null: as the program ships');
            $table->json('plan_terms')->nullable();
            $table->json('reminder_days')->nullable()->comment('days around a due date on which people are reminded');
            $table->json('letter_levels')->nullable()->comment('of reminder letters; null: as the program ships');
            $table->string('fee_tax_class', 20)->nullable()->comment('of cancellation and service fees; null: not '
                .'taxed');
            $table->string('plan_tax_class', 20)->nullable()->comment('of a plan’s flat charge; null: not taxed');
            $table->unsignedBigInteger('return_policy_id')->nullable();
            $table->unsignedSmallInteger('blind_days')->default(90)->comment('how far back the lowest price is '
                .'looked for');
            $table->unsignedSmallInteger('gift_card_months')->nullable()->default(36)->comment('null: no expiry');
            $table->bigInteger('largest_amount')->default(100000000)->comment('minor units; nothing larger is taken '
                .'where money is typed');
            $table->date('months_closed_through')->nullable()->comment('the last day of the last closed month');
            $table->boolean('bad_debt_tax')->default(false)->comment('tax of what is written off is claimed back');
            $table->bigInteger('small_difference')->default(0)->comment('minor units; let off with a payment');
            $table->unsignedTinyInteger('year_ends')->default(12)->comment('the month its year ends with');
            $table->date('years_closed_through')->nullable()->comment('the last day of the last closed year');
            $table->boolean('loading')->default(false)->comment('the demonstration is being loaded');
            $table->unsignedSmallInteger('idle_minutes')->default(20)->comment('without an act, until the PIN is '
                .'asked for; 0: never');
            $table->boolean('blind_counts')->default(true)->comment('clerks count without seeing what is expected');
            $table->bigInteger('note_over')->default(0)->comment('minor units: a drawer off by more wants a note');
            $table->bigInteger('witness_over')->default(2000)->comment('minor units: off by more, two people sign');
            $table->boolean('see_other_locations')->default(true)->comment('whether clerks see slips and documents '
                .'of other locations');
        });

        Schema::create('tax_profiles', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
        });

        Schema::create('locations', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 4);
            $table->string('name');
            $table->string('street');
            $table->string('town');
            $table->string('phone');
            $table->foreignId('tax_profile_id')->constrained();
            $table->date('closed_through')->comment('business days up to here are closed');
            $table->unique('code');
        });

        Schema::create('tills', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('location_id')->constrained();
            $table->unsignedSmallInteger('number');
            $table->string('name');
            $table->boolean('training')->default(false)->comment('posts nothing');
            $table->boolean('drawer_per_person')->default(false)->comment('else one drawer for whoever is at it');
            $table->unique('number');
        });

        Schema::create('tax_components', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('tax_profile_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('code', 20);
            $table->string('name');
            $table->decimal('rate', 8, 4);
            $table->json('classes');
            $table->json('on_top_of');
            $table->unique(['tax_profile_id', 'code']);
            $table->unique(['tax_profile_id', 'position']);
        });

        Schema::create('tax_classes', static function (Blueprint $table): void {
            $table->string('code', 20);
            $table->char('letter', 1)->comment('printed beside a line');
            $table->string('name');
            $table->primary('code');
            $table->unique('letter');
        });

        // What is set is kept by every machine until its mark changes (Settings).
        Schema::create('settings_state', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
            $table->char('mark', 36);
        });
        DB::statement('INSERT INTO settings_state (id, mark) VALUES (1, UUID())');

        foreach (['shop', 'locations', 'tills', 'tax_profiles', 'tax_components', 'tax_classes'] as $table) {
            Rows::marks($table, 'settings_state', $table === 'shop' ? 'last_customer_number' : null);
        }
    }
};
