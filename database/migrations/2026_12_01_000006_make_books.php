<?php

declare(strict_types=1);

use Elmstone\Books\Chain\SealedRows;
use Elmstone\Books\LineColumns;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Series, documents and all they consist of, journals, seals. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('accounts', static function (Blueprint $table): void {
            $table->string('code', 30);
            $table->string('role', 30);
            $table->string('name');
            $table->string('number', 10)->charset('ascii')->comment('in the chart, as the accountant sets it');
            $table->string('kind', 10)->comment('asset, liability, equity, income, expense');
            $table->boolean('by_hand')->default(false)->comment('added by the house, for entries by hand');
            $table->unsignedInteger('version')->default(1);
            $table->index('role');
            $table->unique('number');
            $table->primary('code');
        });
        Rows::check('accounts', 'account_kind', "kind in ('asset', 'liability', 'equity', 'income', 'expense')");

        Schema::create('series', static function (Blueprint $table): void {
            $table->string('kind', 20);
            $table->string('prefix', 6);
            $table->unsignedBigInteger('last_number')->default(0);
            $table->unsignedBigInteger('summed')->default(0)->comment('up to this number the sums of days know them');
            $table->primary('kind');
        });

        Schema::create('series_heads', static function (Blueprint $table): void {
            $table->string('kind', 20);
            $table->unsignedBigInteger('number');
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
            $table->primary('kind');
        });

        Schema::create('documents', static function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 20);
            $table->string('purpose', 20)->default('sale');
            $table->unsignedBigInteger('number');
            $table->string('label', 20)->charset('ascii');
            $table->foreignId('location_id')->constrained();
            $table->foreignId('till_id')->constrained();
            $table->unsignedBigInteger('session_id')->nullable()
                ->comment('of the drawer its money went through');
            $table->foreignId('staff_id')->constrained('staff')->comment('who rang it up');
            $table->foreignId('seller_id')->constrained('staff')->comment('whose sale it is');
            $table->foreignId('customer_id')->nullable()->constrained();
            $table->date('business_date');
            $table->dateTime('posted_at', 3);
            $table->char('currency', 3);
            $table->boolean('tax_included');
            $table->string('tax_rounding', 10);
            $table->string('customer_name')->default('');
            $table->decimal('slip_discount_percent', 8, 4)->nullable();
            $table->bigInteger('slip_discount_amount')->nullable()->comment('as typed; null: percent or none');
            $table->bigInteger('subtotal');
            $table->bigInteger('slip_discount');
            $table->bigInteger('net');
            $table->bigInteger('tax_total');
            $table->bigInteger('total');
            $table->bigInteger('cash_rounding');
            $table->bigInteger('change_given');
            $table->string('note')->default('');
            $table->char('idempotency_key', 36)->charset('ascii')->collation('ascii_bin');
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->string('buyer', 120)->default('');
            $table->json('exemption')->nullable()->comment('certificate, and the taxes as they would have been');
            $table->date('due_date')->nullable();
            $table->string('terms', 80)->default('');
            $table->string('own_terms')->default('')->comment('what of tax or price level was its own, and why');
            $table->bigInteger('on_account')->default(0)->comment('what it did to the customer’s balance');
            $table->bigInteger('balance_before')->nullable()->comment('printed on the paper');
            $table->bigInteger('settlement_discount')->default(0);
            $table->bigInteger('fee')->default(0);
            $table->foreignId('refers_to_id')->nullable()->constrained('documents');
            $table->foreignId('approval_id')->nullable()->constrained();
            $table->bigInteger('coupon_discount')->default(0);
            $table->string('supplies', 20)->charset('ascii')->default('')->comment('the order whose goods leave by it');
            $table->char('asked', 64)->charset('ascii')->collation('ascii_bin')->nullable()
                ->comment('the digest of what a page asked');
            $table->index(['business_date', 'id']);
            // What days are set beside each other by, and all that is asked of a session's documents before their money
            // is looked at.
            $table->index(['location_id', 'business_date', 'purpose', 'kind', 'net'], 'documents_of_a_day');
            $table->index(
                ['session_id', 'purpose', 'kind', 'refers_to_id', 'business_date'],
                'documents_of_a_session',
            );
            $table->index(['customer_id', 'business_date', 'id']);
            $table->index(['customer_id', 'kind', 'id']);
            $table->index('customer_name');
            $table->index('supplies');
            $table->index('purchase_order');
            $table->index('job');
            $table->unique('idempotency_key');
            $table->unique(['kind', 'number']);
            $table->unique('label');
            $table->index(['staff_id', 'business_date', 'id']);
            $table->index(['staff_id', 'kind', 'posted_at']);
            $table->index(['till_id', 'business_date', 'id']);
            $table->index(['total', 'business_date']);
            $table->foreign('kind')->references('kind')->on('series');
        });
        Rows::keep('documents');
        Schema::table(
            'item_serials',
            static fn (Blueprint $table) => $table->foreign('document_id')->references('id')->on('documents'),
        );
        Schema::table(
            'stock_movements',
            static fn (Blueprint $table) => $table->foreign('document_id')->references('id')->on('documents'),
        );

        Schema::create('document_lines', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('direction', 4);
            LineColumns::goods($table);
            LineColumns::discount($table);
            $table->bigInteger('gross');
            $table->bigInteger('line_discount');
            $table->bigInteger('coupon_discount')->default(0);
            $table->bigInteger('slip_discount');
            $table->bigInteger('net');
            $table->bigInteger('tax_total');
            $table->bigInteger('total');
            $table->bigInteger('cost')->comment('of the whole line');
            $table->string('note')->default('');
            $table->foreignId('approval_id')->nullable()->constrained();
            $table->json('serials')->nullable();
            $table->unsignedBigInteger('origin_document_id')->nullable()->comment('of what comes back: the line it '
                .'was sold on');
            $table->unsignedSmallInteger('origin_position')->nullable();
            $table->string('goods_to', 12)->nullable()->comment('of what comes back: stock, written_off, supplier, '
                .'none');
            $table->string('reason', 20)->nullable();
            $table->index(['code', 'document_id']);
            $table->index(['item_id', 'document_id']);
            $table->primary(['document_id', 'position']);
            $table->foreign(['origin_document_id', 'origin_position'], 'line_origin')
                ->references(['document_id', 'position'])->on('document_lines');
        });
        Rows::check('document_lines', 'line_figures', 'quantity > 0 and direction in (\'out\',\'back\') and net = '
            .'gross - line_discount - coupon_discount - slip_discount and net >= 0');
        Rows::check('document_lines', 'line_back', 'direction = \'back\' or origin_document_id is null and (goods_to '
            .'is null or goods_to = \'written_off\')');
        Rows::keep('document_lines');
        SealedRows::of('document_lines');

        Schema::create('document_shares', static function (Blueprint $table): void {
            $table->unsignedBigInteger('document_id');
            $table->unsignedSmallInteger('position');
            $table->unsignedSmallInteger('place');
            $table->foreignId('staff_id')->constrained('staff');
            $table->decimal('percent', 8, 4);
            $table->date('business_date');
            $table->bigInteger('net')->comment('of the line; below zero: it came back');
            $table->decimal('rate', 8, 4)->comment('of commission, percent');
            $table->string('rate_of', 6)->comment('net, margin');
            $table->bigInteger('commission');
            $table->string('earned_at', 8)->comment('invoice, payment');
            $table->primary(['document_id', 'position', 'place']);
            $table->index(['staff_id', 'business_date', 'earned_at', 'net', 'commission'], 'shares_of_a_person');
            $table->index(['business_date', 'staff_id', 'document_id', 'net', 'commission'], 'shares_of_a_time');
            $table->foreign(['document_id', 'position'])->references(['document_id', 'position'])->on('document_lines');
        });
        Rows::keep('document_shares');
        SealedRows::of('document_shares');

        Schema::create('document_line_taxes', static function (Blueprint $table): void {
            $table->unsignedBigInteger('document_id');
            $table->unsignedSmallInteger('position');
            $table->string('component', 20);
            $table->bigInteger('amount');
            $table->primary(['document_id', 'position', 'component']);
            $table->foreign(['document_id', 'position'])->references(['document_id', 'position'])->on('document_lines');
        });
        Rows::keep('document_line_taxes');
        SealedRows::of('document_line_taxes');

        Schema::create('document_taxes', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('component', 20);
            $table->string('name');
            $table->decimal('rate', 8, 4);
            $table->json('classes');
            $table->json('on_top_of');
            $table->bigInteger('base');
            $table->bigInteger('amount');
            $table->primary(['document_id', 'position']);
        });
        Rows::keep('document_taxes');
        SealedRows::of('document_taxes');

        Schema::create('document_tenders', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('kind', 20);
            $table->bigInteger('amount')->comment('what it paid, change taken off');
            $table->bigInteger('given')->comment('what was handed over');
            $table->string('reference', 60)->default('');
            $table->string('card_type', 20)->default('');
            $table->char('last_four', 4)->default('');
            $table->string('authorisation', 20)->default('');
            $table->index('authorisation');
            $table->index(['kind', 'document_id']);
            $table->index('last_four');
            $table->index('reference');
            $table->primary(['document_id', 'position']);
        });
        Rows::keep('document_tenders');
        SealedRows::of('document_tenders');

        Schema::create('document_coupons', static function (Blueprint $table): void {
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
            $table->index('coupon_id');
            $table->primary(['document_id', 'position']);
        });
        Rows::keep('document_coupons');
        SealedRows::of('document_coupons');

        Schema::create('document_held', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->string('kind', 20)->comment('deposit, gift_card, layaway, store_credit');
            $table->bigInteger('amount')->comment('what it did to the money held of that kind; below zero: it left');
            $table->primary(['document_id', 'kind']);
        });
        Rows::check('document_held', 'held_moved', 'amount <> 0');
        Rows::keep('document_held');
        SealedRows::of('document_held');

        Schema::create('document_approvals', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->foreignId('approval_id')->constrained();
            $table->string('place', 60)->comment('a line as line:1, else what of the document it is for');
            $table->json('needed')->comment('the figures that needed it');
            $table->primary(['document_id', 'approval_id', 'place']);
        });
        Rows::keep('document_approvals');
        SealedRows::of('document_approvals');

        Schema::create('document_digests', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->string('kind', 20);
            $table->unsignedBigInteger('number');
            $table->char('before', 64)->charset('ascii')->collation('ascii_bin')
                ->comment('the digest of the document before it in its series');
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
            $table->unique(['kind', 'number']);
            $table->primary('document_id');
        });
        Rows::keep('document_digests');

        Schema::create('signed_heads', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('location_id')->constrained();
            $table->date('through')->comment('the last day that was closed');
            $table->text('says')->comment('canonical JSON: the ends of all series as they were');
            $table->char('signature', 88)->charset('ascii')->collation('ascii_bin')->comment('Ed25519, base64');
            $table->char('key', 44)->charset('ascii')->collation('ascii_bin')->comment('the public half, base64');
            $table->index(['through', 'location_id']);
        });
        Rows::keep('signed_heads');

        // A row for who sums days, so that one does at a time.
        Schema::create('day_sums', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
        });
        DB::table('day_sums')->insert(['id' => 1]);

        // What each account moved on each day, of the documents that `series.summed` says. What came since is summed
        // from the journals themselves.
        Schema::create('ledger_days', static function (Blueprint $table): void {
            $table->string('account', 30);
            $table->foreignId('location_id')->constrained();
            $table->date('business_date');
            $table->bigInteger('debit');
            $table->bigInteger('credit');
            $table->primary(['account', 'location_id', 'business_date']);
            $table->index(['business_date', 'location_id', 'account', 'debit', 'credit'], 'ledger_days_of_all');
            $table->foreign('account')->references('code')->on('accounts');
        });

        // What was sold on each day, by several things, of the same documents; an item that is in no list by '=code'.
        Schema::create('sold_days', static function (Blueprint $table): void {
            $table->string('kind', 10)->charset('ascii')->comment('all, hour, department, item, customer, tender, tax, '
                .'exempt');
            $table->date('business_date');
            $table->foreignId('location_id')->constrained();
            $table->string('place', 200);

            foreach (['net', 'gross', 'cost', 'tax'] as $column) {
                $table->bigInteger($column)->comment('minor units');
            }

            $table->decimal('quantity', 18, 4);
            $table->integer('sales')->comment('documents');
            $table->integer('returns')->comment('documents');
            $table->primary(['kind', 'business_date', 'location_id', 'place']);
        });

        // Lines that reports look for among all others.
        Schema::create('marked_lines', static function (Blueprint $table): void {
            $table->string('kind', 10)->charset('ascii')->comment('back, by_hand, below');
            $table->date('business_date');
            $table->unsignedBigInteger('document_id');
            $table->unsignedSmallInteger('position');
            $table->primary(['kind', 'business_date', 'document_id', 'position']);
            $table->foreign(['document_id', 'position'])->references(['document_id', 'position'])->on('document_lines');
        });

        Schema::create('proved_documents', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
            $table->primary('document_id');
        });

        Schema::create('proof_runs', static function (Blueprint $table): void {
            $table->id();
            $table->dateTime('ran_at', 3)->comment('when it began');
            $table->unsignedBigInteger('last_document')->comment('the last one it saw');
            $table->unsignedInteger('faults');
            $table->json('found')->comment('the first faults, in words');
            $table->json('topics')->comment('what a month is closed on: faults by topic');
        });
        Rows::keep('proof_runs');

        Schema::create('journal_entries', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->date('business_date');
            $table->bigInteger('debits');
            $table->bigInteger('credits');
            $table->index('business_date');
            $table->primary('document_id');
        });
        Rows::check('journal_entries', 'balanced', 'debits = credits');
        Rows::keep('journal_entries');
        SealedRows::of('journal_entries');
        Rows::refuse('journal_entries', 'INSERT', 'balanced', <<<'SQL'
            NEW.debits <> NEW.credits
            OR NEW.debits <> (SELECT COALESCE(SUM(debit), 0) FROM journal_lines WHERE document_id = NEW.document_id)
            OR NEW.credits <> (SELECT COALESCE(SUM(credit), 0) FROM journal_lines WHERE document_id = NEW.document_id)
            SQL, 'This journal does not balance');

        Schema::create('journal_lines', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('account', 30);
            $table->bigInteger('debit');
            $table->bigInteger('credit');
            $table->index('account');
            $table->primary(['document_id', 'position']);
            $table->foreign('account')->references('code')->on('accounts');
        });
        Rows::check('journal_lines', 'one_side', 'debit >= 0 and credit >= 0 and debit = 0 <> (credit = 0)');
        Rows::keep('journal_lines');
        SealedRows::of('journal_lines');
        Rows::refuse('journal_lines', 'INSERT', 'unsealed', 'EXISTS (SELECT 1 FROM journal_entries WHERE document_id '
            .'= NEW.document_id)', 'This journal is sealed');
    }
};
