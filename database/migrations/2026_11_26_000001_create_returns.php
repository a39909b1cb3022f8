<?php

declare(strict_types=1);

use Elmstone\Books\Accounts;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        $this->policies();
        $this->documents();
        $this->storeCredit();
        $this->giftCards();
        $this->coupons();
        $this->slips();
        $this->keep([
            'document_coupons',
            'return_shares',
            'store_credit_entries',
            'gift_card_entries',
            'gift_card_changes',
        ]);
        Accounts::open();
    }

    private function policies(): void
    {
        Schema::create('return_policies', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 60)->unique();
            $table->boolean('returnable')->default(true);
            $table->unsignedSmallInteger('days')->nullable()->comment('null: for ever');
            $table->decimal('fee_percent', 8, 4)->default(0)->comment('restocking fee');
            $table->string('words')->default('')->comment('in what state goods must be');
        });

        Schema::table('shop', function (Blueprint $table): void {
            $table
                ->foreignId('return_policy_id')
                ->nullable()
                ->constrained('return_policies')
                ->comment('where neither item nor department has one');
            $table
                ->unsignedSmallInteger('blind_days')
                ->default(90)
                ->comment('how far back the lowest price is looked for');
            $table
                ->bigInteger('refund_limit')
                ->nullable()
                ->default(20_000)
                ->comment('money a clerk may hand back without approval; null: any');
            $table->unsignedSmallInteger('gift_card_months')->nullable()->default(36)->comment('null: no expiry');
        });

        foreach (['departments', 'items'] as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->foreignId('return_policy_id')->nullable()->constrained('return_policies');
            });
        }
    }

    private function documents(): void
    {
        Schema::table('documents', function (Blueprint $table): void {
            $table->bigInteger('coupon_discount')->default(0);
            $table->bigInteger('gift_card_change')->default(0)->comment('what it did to the gift cards owed');
            $table->bigInteger('store_credit_change')->default(0)->comment('what it did to the store credit owed');
            $table->index(['customer_id', 'kind', 'id']);
        });

        Schema::table('document_lines', function (Blueprint $table): void {
            $table->bigInteger('coupon_discount')->default(0)->after('line_discount');
            $table
                ->unsignedBigInteger('origin_document_id')
                ->nullable()
                ->comment('of what comes back: the line it was sold on');
            $table->unsignedSmallInteger('origin_position')->nullable();
            $table
                ->string('goods_to', 12)
                ->nullable()
                ->comment('of what comes back: stock, written_off, supplier, none');
            $table->string('reason', 20)->nullable();
            $table
                ->foreign(['origin_document_id', 'origin_position'], 'line_origin')
                ->references(['document_id', 'position'])
                ->on('document_lines');
            $table->index(['item_id', 'document_id']);
        });
        DB::statement('ALTER TABLE document_lines DROP CONSTRAINT line_figures');
        DB::statement(
            "ALTER TABLE document_lines ADD CONSTRAINT line_figures CHECK (quantity > 0 AND direction IN ('out', "
                ."'back') AND net = gross - line_discount - coupon_discount - slip_discount AND net >= 0)",
        );
        DB::statement(
            "ALTER TABLE document_lines ADD CONSTRAINT line_back CHECK (direction = 'back' OR (origin_document_id IS "
                ."NULL AND (goods_to IS NULL OR goods_to = 'written_off')))",
        );

        Schema::create('document_coupons', function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->unsignedBigInteger('coupon_id');
            $table->string('code', 40);
            $table->string('description', 160);
            $table->decimal('percent', 8, 4)->nullable();
            $table->bigInteger('amount')->nullable()->comment('as it stands on the coupon; null: a percentage');
            $table->json('for_lines')->nullable()->comment('positions it is for; null: all');
            $table->bigInteger('least_spend')->nullable();
            $table->boolean('alone');
            $table->bigInteger('taken')->comment('what it took off');
            $table->primary(['document_id', 'position']);
            $table->index('coupon_id');
        });

        Schema::create('return_shares', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('document_id')->constrained()->comment('the credit note');
            $table
                ->foreignId('origin_document_id')
                ->nullable()
                ->constrained('documents')
                ->comment('null: without an original');
            $table->string('pool', 8)->comment('charged, paid, blind');
            $table->string('way', 20)->comment('a tender’s kind, or fee');
            $table->string('authorisation', 20)->default('')->comment('of the card it went back to');
            $table->bigInteger('amount');
            $table->index(['document_id', 'origin_document_id']);
        });
    }

    private function storeCredit(): void
    {
        Schema::create('store_credit_accounts', function (Blueprint $table): void {
            $table->foreignId('customer_id')->primary()->constrained();
            $table->bigInteger('held')->default(0)->comment('kept under the row’s lock; proved against the entries');
            $table->index(['held', 'customer_id']);
        });
        DB::statement('ALTER TABLE store_credit_accounts ADD CONSTRAINT store_credit_not_below_zero CHECK (held >= 0)');

        Schema::create('store_credit_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->bigInteger('amount')->comment('below zero: used or paid out');
            $table->date('business_date');
            $table->index(['customer_id', 'business_date', 'amount']);
            $table->index(['business_date', 'customer_id', 'amount']);
        });
    }

    private function giftCards(): void
    {
        Schema::create('gift_cards', function (Blueprint $table): void {
            $table->id();
            $table
                ->char('code', 16)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->unique()
                ->comment('the number that counts now');
            $table->bigInteger('balance')->default(0)->comment('kept under the row’s lock; proved against the entries');
            $table->date('issued_on');
            $table->date('expires_on')->nullable()->comment('its last day; null: none');
            $table->boolean('blocked')->default(false);
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['balance', 'expires_on']);
        });
        DB::statement('ALTER TABLE gift_cards ADD CONSTRAINT gift_card_not_below_zero CHECK (balance >= 0)');

        Schema::create('gift_card_codes', function (Blueprint $table): void {
            $table->char('code', 16)->charset('ascii')->collation('ascii_bin')->primary();
            $table->foreignId('gift_card_id')->constrained();
            $table->boolean('counts')->default(true)->comment('false: lost, and replaced by another');
            $table->timestamp('made_at', 3)->useCurrent();
        });

        Schema::create('gift_card_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('gift_card_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->bigInteger('amount')->comment('below zero: used');
            $table->date('business_date');
            $table->index(['gift_card_id', 'id']);
            $table->index(['business_date', 'amount']);
        });

        Schema::create('gift_card_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('gift_card_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('what');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['gift_card_id', 'id']);
        });
    }

    private function coupons(): void
    {
        Schema::create('coupons', function (Blueprint $table): void {
            $table->id();
            $table->string('code', 40)->unique();
            $table->string('description', 160);
            $table->decimal('percent', 8, 4)->nullable();
            $table->bigInteger('amount')->nullable();
            $table->json('items')->nullable()->comment('ids; null with departments null: the whole slip');
            $table->json('departments')->nullable();
            $table->bigInteger('least_spend')->nullable();
            $table->date('starts_on');
            $table->date('ends_on')->nullable()->comment('its last day');
            $table->unsignedInteger('most_uses')->nullable()->comment('null: any number');
            $table
                ->unsignedInteger('uses')
                ->default(0)
                ->comment('kept under the row’s lock; proved against the documents');
            $table->boolean('alone')->default(false);
            $table->boolean('active')->default(true);
        });
        DB::statement(
            'ALTER TABLE coupons ADD CONSTRAINT coupon_uses CHECK ((percent IS NULL) <> (amount IS NULL) AND '
                .'(most_uses IS NULL OR uses <= most_uses))',
        );
    }

    private function slips(): void
    {
        Schema::table('slips', function (Blueprint $table): void {
            $table
                ->json('back')
                ->nullable()
                ->comment('what goes back by which way, minor units; null: nothing comes back');
            $table->string('back_reference', 60)->default('')->comment('of the shop’s cheque or transfer');
            $table->char('back_card', 16)->nullable()->comment('the gift card it goes on; null: a new one');
            $table
                ->string('credit_to', 10)
                ->default('unused')
                ->comment('what goes to the account beyond its invoice: unused or oldest');
            $table->bigInteger('store_credit_used')->nullable();
            $table->json('coupons')->nullable()->comment('ids, in the order they were shown');
            $table->json('cards_sold')->nullable()->comment('gift cards sold or topped up with it');
            $table->json('cards_used')->nullable()->comment('gift cards it is paid with');
            $table->foreignId('credit_note_id')->nullable()->constrained('documents');
            $table
                ->foreignId('void_of_id')
                ->nullable()
                ->constrained('documents')
                ->comment('the invoice it takes back whole');
            $table->foreignId('refund_approval_id')->nullable()->constrained('approvals');
            $table->bigInteger('refund_approved')->default(0)->comment('money handed back that somebody approved');
            $table->bigInteger('blind_cash_approved')->default(0)->comment('of it for goods without an original');
        });

        Schema::create('slip_returns', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->unsignedBigInteger('origin_document_id')->nullable();
            $table->unsignedSmallInteger('origin_position')->nullable();
            $table->foreignId('item_id')->nullable()->constrained();
            $table->string('code', 24);
            $table->string('description', 160);
            $table->foreignId('department_id')->nullable()->constrained();
            $table->decimal('quantity', 14, 4);
            $table->string('unit', 12);
            $table->decimal('unit_price', 14, 4);
            $table->unsignedSmallInteger('price_per');
            $table->string('price_rule', 12);
            $table->decimal('list_price', 14, 4);
            $table->string('tax_class', 20);
            $table->decimal('cost', 14, 4)->nullable();
            $table->string('reason', 20);
            $table->string('goods_to', 12);
            $table->string('note')->default('');
            $table->json('serials')->nullable();
            $table->boolean('fee_waived')->default(false);
            $table
                ->foreignId('approval_id')
                ->nullable()
                ->constrained('approvals')
                ->comment('of what the policy does not allow');
            $table->index(['slip_id', 'position']);
        });

        Schema::table('card_payments', function (Blueprint $table): void {
            $table->string('against', 20)->default('')->comment('money back: the authorisation it was taken by');
        });
    }

    /** @param  list<string>  $tables */
    private function keep(array $tables): void
    {
        foreach ($tables as $table) {
            foreach (['UPDATE', 'DELETE'] as $change) {
                DB::unprepared(
                    "CREATE TRIGGER {$table}_no_{$change} BEFORE {$change} ON {$table} FOR EACH ROW SIGNAL SQLSTATE "
                        ."'45000' SET MESSAGE_TEXT = 'Posted is posted: {$table} rows are never changed'",
                );
            }
        }
    }
};
