<?php

declare(strict_types=1);

use Elmstone\Books\Chain\SealedRows;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** House accounts, open items and what is set against what, calls, statements, finance charges. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('house_accounts', static function (Blueprint $table): void {
            $table->foreignId('customer_id')->constrained();
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
            $table->boolean('letters')->default(true)->comment('gets reminder letters when late');
            $table->boolean('stopped')->default(false);
            $table->string('stop_reason')->default('');
            $table->date('opened_on');
            $table->bigInteger('balance')->default(0)->comment('kept under the row’s lock; proved against the ledger');
            $table->bigInteger('orders')->default(0)->comment('ordered and to be charged, not supplied yet');
            $table->date('closed_on')->nullable();
            $table->date('review_on')->nullable()->comment('when its terms are looked at again');
            $table->unsignedInteger('version')->default(1);
            $table->string('buyer', 10)->nullable()->comment('optional or named; null: named where anybody of theirs '
                .'has a limit');
            $table->foreignId('head_id')->nullable()->index()->comment('its head office; of a head office: itself');
            $table->primary('customer_id');
        });
        Rows::check('house_accounts', 'limit_not_below_zero', 'credit_limit >= 0');

        // Head offices: a row to lock, so that what their branches are charged with is counted by one after the other.
        Schema::create('account_groups', static function (Blueprint $table): void {
            $table->foreignId('head_id')->constrained('house_accounts', 'customer_id');
            $table->primary('head_id');
        });

        Schema::create('open_items', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->foreignId('customer_id')->constrained('house_accounts', 'customer_id');
            $table->string('label', 20)->charset('ascii');
            $table->string('kind', 6);
            $table->string('purpose', 20);
            $table->date('business_date');
            $table->date('due_date');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->date('discount_until')->nullable();
            $table->bigInteger('amount');
            $table->bigInteger('open');
            $table->date('moved_on')->comment('the latest date of anything set against it');
            $table->char('set_digest', 64)->charset('ascii')->collation('ascii_bin')->nullable()
                ->comment('the last of what this credit was set against');
            $table->index(['customer_id', 'business_date', 'document_id']);
            $table->index(['customer_id', 'open', 'due_date']);
            $table->index(['moved_on', 'business_date', 'customer_id']);
            $table->index(
                ['open', 'customer_id', 'kind', 'due_date', 'business_date', 'moved_on'],
                'open_items_open_now',
            );
            $table->primary('document_id');
        });
        Rows::check('open_items', 'open_within', 'amount > 0 and open >= 0 and open <= amount and kind in '
            .'(\'charge\',\'credit\')');
        SealedRows::of('open_items');
        Rows::refuse('open_items', 'UPDATE', 'keep', <<<'SQL'
            NOT (NEW.document_id <=> OLD.document_id AND NEW.kind <=> OLD.kind AND NEW.amount <=> OLD.amount
                AND NEW.business_date <=> OLD.business_date AND NEW.due_date <=> OLD.due_date)
            SQL, 'Posted is posted: of an open item only what is open changes');
        Rows::refuse('open_items', 'DELETE', 'keep_all', null, 'Posted is posted: open_items rows are never deleted');

        Schema::create('disputes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('document_id')->constrained('open_items', 'document_id');
            $table->foreignId('customer_id')->constrained('house_accounts', 'customer_id');
            $table->string('reason');
            $table->foreignId('begun_by')->constrained('staff');
            $table->date('begun_on');
            $table->foreignId('ended_by')->nullable()->constrained('staff');
            $table->date('ended_on')->nullable();
            $table->string('outcome')->default('');
            $table->index(['customer_id', 'ended_on']);
            $table->index(['document_id', 'ended_on']);
        });

        // How late what each account owes is, by column, as it was last summed: `moves` counts what came to its open
        // items since the first, `summed` says how much of that the columns know.
        Schema::create('aged_accounts', static function (Blueprint $table): void {
            $table->foreignId('customer_id')->constrained('house_accounts', 'customer_id');
            $table->unsignedBigInteger('moves')->default(0);
            $table->unsignedBigInteger('summed')->default(0);
            $table->date('as_of')->nullable();

            foreach (['not_due', 'to_30', 'to_60', 'to_90', 'over_90', 'unused_credit', 'balance'] as $column) {
                $table->bigInteger($column)->default(0);
            }

            $table->primary('customer_id');
        });
        Rows::counts('open_items', 'aged_accounts', 'customer_id', 'moves');

        Schema::create('allocations', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('credit_id')->constrained('documents');
            $table->foreignId('charge_id')->constrained('documents');
            $table->bigInteger('amount')->comment('below zero: taken back');
            $table->date('business_date');
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('reason')->default('');
            $table->foreignId('takes_back_id')->nullable()->constrained('allocations');
            $table->char('act', 36)->charset('ascii')->collation('ascii_bin');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->bigInteger('discount')->default(0)->comment('the part of the amount that is a settlement discount');
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin')->default('')
                ->comment('chained by credit');
            $table->index('act');
            $table->index(['charge_id', 'business_date', 'amount']);
            $table->index(['credit_id', 'business_date', 'amount']);
            $table->index(['customer_id', 'business_date']);
            $table->unique('takes_back_id');
        });
        Rows::check('allocations', 'takes_back_or_sets', 'amount > 0 = (takes_back_id is null) and amount <> 0');
        Rows::check('allocations', 'discount_within', 'abs(discount) <= abs(amount) and discount * amount >= 0');
        Rows::keep('allocations', 'allocations are taken back, never changed');
        Rows::refuse('allocations', 'INSERT', 'from_the_later_day', <<<'SQL'
            NEW.business_date < (
                SELECT MAX(business_date) FROM open_items WHERE document_id IN (NEW.credit_id, NEW.charge_id)
            )
            SQL, 'An allocation counts from the later of its two documents');

        Schema::create('calls', static function (Blueprint $table): void {
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

        Schema::create('statement_runs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('staff_id')->constrained('staff');
            $table->date('as_of');
            $table->json('options');
            $table->string('state', 10)->default('ready');
            $table->unsignedInteger('wanted')->default(0);
            $table->timestamps(3);
        });

        Schema::create('statements', static function (Blueprint $table): void {
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
            $table->index(['customer_id', 'id']);
            $table->unique(['run_id', 'customer_id']);
            $table->index(['run_id', 'state']);
        });

        Schema::create('finance_charges', static function (Blueprint $table): void {
            $table->char('month', 7);
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->primary(['month', 'customer_id']);
        });
    }
};
