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
        $this->documents();
        $this->slips();
        $this->accounts();
        $this->ledger();
        $this->chasing();
        $this->runs();
        $this->bank();
        // A shop that is there already gets the accounts that came with this.
        Accounts::open();
    }

    private function documents(): void
    {
        Schema::table('shop', function (Blueprint $table): void {
            $table->unsignedInteger('last_customer_number')->default(1000);
            $table->char('country', 2)->default('US');
            $table->string('postcode', 20)->default('');
            $table->string('tax_number', 40)->default('');
            $table->string('bank_account', 80)->default('')->comment('printed on statements');
            $table->decimal('finance_percent', 8, 4)->nullable()->comment('a month; null: no finance charges');
            $table->unsignedSmallInteger('finance_grace_days')->default(0);
            $table->bigInteger('finance_minimum')->default(0);
            $table->bigInteger('returned_payment_fee')->default(0);
        });

        Schema::table('documents', function (Blueprint $table): void {
            $table->string('purpose', 20)->default('sale')->after('kind');
            $table->foreignId('customer_id')->nullable()->after('staff_id')->constrained();
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->string('buyer', 120)->default('');
            $table->json('exemption')->nullable()->comment('certificate, and the taxes as they would have been');
            $table->date('due_date')->nullable();
            $table->string('terms', 80)->default('');
            $table->bigInteger('on_account')->default(0)->comment('what it did to the customer’s balance');
            $table->bigInteger('balance_before')->nullable()->comment('printed on the paper');
            $table->bigInteger('settlement_discount')->default(0);
            $table->bigInteger('fee')->default(0);
            $table->foreignId('refers_to_id')->nullable()->constrained('documents');
            $table->foreignId('approval_id')->nullable();
            $table->index(['customer_id', 'business_date', 'id']);
        });
    }

    private function slips(): void
    {
        Schema::table('slips', function (Blueprint $table): void {
            $table->foreignId('customer_id')->nullable()->after('staff_id')->constrained();
            $table->foreignId('contact_id')->nullable()->constrained();
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->bigInteger('charge')->nullable()->comment('to the house account');
            $table->foreignId('charge_approval_id')->nullable()->constrained('approvals');
            $table->string('charge_approved_for', 120)->default('')->comment('the reasons somebody approved');
            $table->bigInteger('charge_approved_over')->default(0)->comment('and how far over the limit');
            $table->bigInteger('on_account')->nullable()->comment('paid towards the house account with it');
            $table->foreignId('receipt_id')->nullable()->constrained('documents');
        });
        Schema::table('slip_lines', function (Blueprint $table): void {
            $table->boolean('standing_discount')->default(false)->comment('the discount is the customer’s own');
        });
    }

    private function accounts(): void
    {
        Schema::create('house_accounts', function (Blueprint $table): void {
            $table->foreignId('customer_id')->primary()->constrained();
            $table->bigInteger('credit_limit');
            $table->string('terms_kind', 20);
            $table->unsignedSmallInteger('terms_days')->default(0);
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->unsignedSmallInteger('discount_days')->default(0);
            $table->unsignedSmallInteger('allowed_overdue_days')->default(0);
            $table->boolean('purchase_order_required')->default(false);
            $table->string('statement_kind', 20)->default('open_item');
            $table->string('statement_way', 10)->default('print');
            $table->boolean('finance_charges')->default(true);
            $table->boolean('stopped')->default(false);
            $table->string('stop_reason')->default('');
            $table->date('opened_on');
            $table->bigInteger('balance')->default(0)->comment('kept under the row’s lock; proved against the ledger');
            $table->unsignedInteger('version')->default(1);
        });
        DB::statement('ALTER TABLE house_accounts ADD CONSTRAINT limit_not_below_zero CHECK (credit_limit >= 0)');
    }

    /**
     * What a document did to a customer's account, and what of it is open. Amount, dates and document never change;
     * what is open follows the allocations.
     */
    private function ledger(): void
    {
        Schema::create('open_items', function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->foreignId('customer_id')->constrained('house_accounts', 'customer_id');
            $table->string('label', 20)->charset('ascii')->collation('ascii_general_ci');
            $table->string('kind', 6);
            $table->string('purpose', 20);
            $table->date('business_date');
            $table->date('due_date');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->date('discount_until')->nullable();
            $table->bigInteger('amount');
            $table->bigInteger('open');
            $table->date('moved_on')->comment('the latest date of anything set against it');
            $table->index(['customer_id', 'business_date', 'document_id']);
            $table->index(['customer_id', 'open', 'due_date']);
            $table->index(['moved_on', 'business_date', 'customer_id']);
            $table->index(
                ['open', 'customer_id', 'kind', 'due_date', 'business_date', 'moved_on'],
                'open_items_open_now',
            );
        });
        DB::statement(
            'ALTER TABLE open_items ADD CONSTRAINT open_within CHECK (amount > 0 AND `open` >= 0 AND `open` <= amount '
                ."AND kind IN ('charge', 'credit'))",
        );

        Schema::create('allocations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('credit_id')->constrained('documents');
            $table->foreignId('charge_id')->constrained('documents');
            $table->bigInteger('amount')->comment('below zero: taken back');
            $table->date('business_date');
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('reason')->default('');
            $table->foreignId('takes_back_id')->nullable()->unique()->constrained('allocations');
            $table->char('act', 36)->charset('ascii')->collation('ascii_bin')->index();
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['customer_id', 'business_date']);
            $table->index(['charge_id', 'business_date', 'amount']);
            $table->index(['credit_id', 'business_date', 'amount']);
        });
        DB::statement(
            'ALTER TABLE allocations ADD CONSTRAINT takes_back_or_sets CHECK ((amount > 0) = (takes_back_id IS NULL) '
                .'AND amount <> 0)',
        );

        foreach (['UPDATE', 'DELETE'] as $change) {
            DB::unprepared(
                "CREATE TRIGGER allocations_no_{$change} BEFORE {$change} ON allocations FOR EACH ROW SIGNAL SQLSTATE "
                    ."'45000' SET MESSAGE_TEXT = 'Posted is posted: allocations are taken back, never changed'",
            );
        }

        DB::unprepared(
            "CREATE TRIGGER open_items_no_delete BEFORE DELETE ON open_items FOR EACH ROW SIGNAL SQLSTATE '45000' SET "
                ."MESSAGE_TEXT = 'Posted is posted: open_items rows are never deleted'",
        );
        DB::unprepared(
            <<<'SQL'
            CREATE TRIGGER open_items_keep BEFORE UPDATE ON open_items FOR EACH ROW
            IF NOT (NEW.document_id <=> OLD.document_id AND NEW.kind <=> OLD.kind AND NEW.amount <=> OLD.amount
                AND NEW.business_date <=> OLD.business_date AND NEW.due_date <=> OLD.due_date) THEN
                SIGNAL SQLSTATE '45000'
                    SET MESSAGE_TEXT = 'Posted is posted: of an open item only what is open changes';
            END IF
            SQL
            ,
        );
    }

    private function chasing(): void
    {
        Schema::create('calls', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('spoke_to', 120)->default('');
            $table->string('note', 500);
            $table->bigInteger('promised')->nullable();
            $table->date('promised_on')->nullable();
            $table->date('call_again_on')->nullable();
            $table->date('called_on');
            $table->timestamp('called_at', 3)->useCurrent();
            $table->index(['customer_id', 'id']);
        });
    }

    private function runs(): void
    {
        Schema::create('statement_runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('staff_id')->constrained('staff');
            $table->date('as_of');
            $table->json('options');
            $table->string('state', 10)->default('ready');
            $table->unsignedInteger('wanted')->default(0);
            $table->timestamps(3);
        });

        Schema::create('statements', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained('statement_runs');
            $table->foreignId('customer_id')->constrained();
            $table->string('state', 10)->default('wanted');
            $table->string('way', 10)->default('print');
            $table->bigInteger('amount_due')->default(0);
            $table->mediumText('data')->nullable()->comment('all that the paper says');
            $table->timestamp('made_at', 3)->nullable();
            $table->timestamp('mailed_at', 3)->nullable();
            $table->string('trouble')->default('');
            $table->unique(['run_id', 'customer_id']);
            $table->index(['run_id', 'state']);
            $table->index(['customer_id', 'id']);
        });

        Schema::create('finance_charges', function (Blueprint $table): void {
            $table->char('month', 7);
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->primary(['month', 'customer_id']);
        });
    }

    private function bank(): void
    {
        Schema::create('bank_files', function (Blueprint $table): void {
            $table->id();
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->string('name', 160);
            $table->string('format', 20);
            $table->string('account', 40)->default('');
            $table->string('statement', 60)->default('');
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('state', 10)->default('open');
            $table->timestamps(3);
        });

        Schema::create('bank_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('bank_file_id')->constrained();
            $table->unsignedInteger('position');
            $table
                ->char('fingerprint', 64)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->unique()
                ->comment('the same entry of the bank in whatever file');
            $table->date('booked_on');
            $table->bigInteger('amount');
            $table->string('payer', 160)->default('');
            $table->string('reference', 500)->default('');
            $table->foreignId('customer_id')->nullable()->constrained();
            $table->json('shares')->nullable()->comment('document label: minor units');
            $table->string('why')->default('')->comment('how it was matched');
            $table->string('state', 10)->default('open');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->index(['bank_file_id', 'position']);
        });
    }
};
