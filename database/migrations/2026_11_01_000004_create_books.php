<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What is never changed once it is written. */
    private const POSTED = [
        'documents', 'document_lines', 'document_line_taxes', 'document_taxes', 'document_tenders', 'journal_lines',
        'journal_entries', 'stock_movements', 'approvals', 'price_changes',
    ];

    public function up(): void
    {
        Schema::create('series', function (Blueprint $table): void {
            $table->string('kind', 20)->primary();
            $table->string('prefix', 6);
            $table->unsignedBigInteger('last_number')->default(0);
        });

        Schema::create('accounts', function (Blueprint $table): void {
            $table->string('code', 30)->primary();
            $table->string('role', 30)->index();
            $table->string('name');
        });

        $this->documents();
        $this->journal();
        $this->keepPosted();
    }

    private function documents(): void
    {
        Schema::create('documents', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 20);
            $table->unsignedBigInteger('number');
            $table->string('label', 20)->charset('ascii')->collation('ascii_general_ci')->unique();
            $table->foreignId('location_id')->constrained();
            $table->foreignId('till_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
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
            $table->char('idempotency_key', 36)->charset('ascii')->collation('ascii_bin')->unique();
            $table->foreign('kind')->references('kind')->on('series');
            $table->unique(['kind', 'number']);
            $table->index(['business_date', 'id']);
            $table->index(['staff_id', 'business_date', 'id']);
            $table->index(['total', 'business_date']);
            $table->index(['till_id', 'business_date', 'id']);
            $table->index('customer_name');
        });

        Schema::create('document_lines', function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('direction', 4);
            $table->foreignId('item_id')->nullable()->constrained();
            $table->string('code', 24);
            $table->string('description', 160);
            $table->foreignId('department_id')->constrained();
            $table->decimal('quantity', 14, 4);
            $table->string('unit', 12);
            $table->decimal('unit_price', 14, 4);
            $table->unsignedSmallInteger('price_per');
            $table->string('price_rule', 12);
            $table->decimal('list_price', 14, 4);
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->boolean('may_discount');
            $table->string('tax_class', 20);
            $table->bigInteger('gross');
            $table->bigInteger('line_discount');
            $table->bigInteger('slip_discount');
            $table->bigInteger('net');
            $table->bigInteger('tax_total');
            $table->bigInteger('total');
            $table->bigInteger('cost')->comment('of the whole line');
            $table->string('note')->default('');
            $table->foreignId('approval_id')->nullable();
            $table->primary(['document_id', 'position']);
            $table->index(['code', 'document_id']);
        });
        DB::statement(
            "ALTER TABLE document_lines ADD CONSTRAINT line_figures CHECK (quantity > 0 AND direction IN ('out', "
                ."'back') AND net = gross - line_discount - slip_discount AND net >= 0)",
        );

        Schema::create('document_line_taxes', function (Blueprint $table): void {
            $table->unsignedBigInteger('document_id');
            $table->unsignedSmallInteger('position');
            $table->string('component', 20);
            $table->bigInteger('amount');
            $table->primary(['document_id', 'position', 'component']);
            $table
                ->foreign(['document_id', 'position'])
                ->references(['document_id', 'position'])
                ->on('document_lines');
        });

        Schema::create('document_taxes', function (Blueprint $table): void {
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

        Schema::create('document_tenders', function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('kind', 20);
            $table->bigInteger('amount')->comment('what it paid, change taken off');
            $table->bigInteger('given')->comment('what was handed over');
            $table->string('reference', 60)->default('');
            $table->string('card_type', 20)->default('');
            $table->char('last_four', 4)->default('');
            $table->string('authorisation', 20)->default('');
            $table->primary(['document_id', 'position']);
            $table->index(['kind', 'document_id']);
            $table->index('last_four');
        });

        Schema::create('stock_movements', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->decimal('quantity', 14, 4)->comment('below zero: left the house');
            $table->decimal('unit_cost', 14, 4);
            $table->string('why', 20);
            $table->foreignId('document_id')->nullable()->constrained();
            $table->date('business_date');
            $table->index(['item_id', 'location_id', 'id']);
        });
    }

    /**
     * A document's journal lines come first; the entry seals them. The entry is refused unless the lines balance and
     * come to what it says, and once it stands no further line is taken.
     */
    private function journal(): void
    {
        Schema::create('journal_lines', function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('account', 30);
            $table->foreign('account')->references('code')->on('accounts');
            $table->bigInteger('debit');
            $table->bigInteger('credit');
            $table->primary(['document_id', 'position']);
            $table->index('account');
        });
        DB::statement(
            'ALTER TABLE journal_lines ADD CONSTRAINT one_side CHECK (debit >= 0 AND credit >= 0 AND (debit = 0) <> '
                .'(credit = 0))',
        );

        Schema::create('journal_entries', function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->date('business_date')->index();
            $table->bigInteger('debits');
            $table->bigInteger('credits');
        });
        DB::statement('ALTER TABLE journal_entries ADD CONSTRAINT balanced CHECK (debits = credits)');

        DB::unprepared(
            <<<'SQL'
            CREATE TRIGGER journal_entry_sums BEFORE INSERT ON journal_entries FOR EACH ROW
            BEGIN
                DECLARE d BIGINT; DECLARE c BIGINT;
                SELECT COALESCE(SUM(debit), 0), COALESCE(SUM(credit), 0) INTO d, c
                    FROM journal_lines WHERE document_id = NEW.document_id;
                IF d <> c OR d <> NEW.debits OR c <> NEW.credits THEN
                    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'This journal does not balance';
                END IF;
            END
            SQL
            ,
        );
        DB::unprepared(
            <<<'SQL'
            CREATE TRIGGER journal_line_sealed BEFORE INSERT ON journal_lines FOR EACH ROW
            BEGIN
                IF EXISTS (SELECT 1 FROM journal_entries WHERE document_id = NEW.document_id) THEN
                    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'This journal is sealed';
                END IF;
            END
            SQL
            ,
        );
    }

    private function keepPosted(): void
    {
        foreach (self::POSTED as $table) {
            foreach (['UPDATE', 'DELETE'] as $change) {
                $name = strtolower("{$table}_no_{$change}");
                DB::unprepared(
                    "CREATE TRIGGER {$name} BEFORE {$change} ON {$table} FOR EACH ROW SIGNAL SQLSTATE '45000' SET "
                        ."MESSAGE_TEXT = 'Posted is posted: {$table} rows are never changed'",
                );
            }
        }
    }
};
