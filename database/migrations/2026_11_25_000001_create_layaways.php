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
        $this->settings();
        $this->documents();
        $this->goods();
        $this->deposits();
        $this->layaways();
        $this->slips();
        $this->plans();
        $this->reminders();
        $this->keep(['deposit_entries', 'layaway_entries', 'layaway_changes', 'reminders', 'plan_parts']);
        Accounts::open();
    }

    private function settings(): void
    {
        Schema::table('shop', function (Blueprint $table): void {
            $table->json('layaway_terms')->nullable()->comment('what is proposed; null: as the program ships');
            $table->json('plan_terms')->nullable();
            $table->json('reminder_days')->nullable()->comment('days around a due date on which people are reminded');
            $table
                ->string('fee_tax_class', 20)
                ->nullable()
                ->comment('of cancellation and service fees; null: not taxed');
            $table->string('plan_tax_class', 20)->nullable()->comment('of a plan’s flat charge; null: not taxed');
        });
    }

    private function documents(): void
    {
        Schema::table('documents', function (Blueprint $table): void {
            $table
                ->bigInteger('deposit_change')
                ->default(0)
                ->comment('what it did to the deposits held for the customer');
            $table->bigInteger('layaway_change')->default(0)->comment('what it did to the layaway money held for them');
        });
        Schema::table('document_lines', function (Blueprint $table): void {
            $table->unsignedBigInteger('department_id')->nullable()->comment('null: a fee')->change();
            $table->json('serials')->nullable();
        });
    }

    private function goods(): void
    {
        Schema::table('items', function (Blueprint $table): void {
            $table->boolean('has_serials')->default(false)->comment('asked for when it is sold or set aside');
        });

        Schema::create('item_serials', function (Blueprint $table): void {
            $table->foreignId('item_id')->constrained();
            $table->string('serial', 40)->charset('utf8mb4')->collation('utf8mb4_bin');
            $table->string('state', 6)->default('in')->comment('in, aside, out');
            $table->unsignedBigInteger('layaway_id')->nullable()->index();
            $table->foreignId('document_id')->nullable()->constrained();
            $table->primary(['item_id', 'serial']);
            $table->index('serial');
        });

        Schema::create('commitments', function (Blueprint $table): void {
            $table->unsignedBigInteger('layaway_id');
            $table->foreignId('item_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->decimal('quantity', 14, 4);
            $table->primary(['layaway_id', 'item_id']);
            $table->index(['item_id', 'location_id']);
        });
    }

    private function deposits(): void
    {
        Schema::create('deposit_accounts', function (Blueprint $table): void {
            $table->foreignId('customer_id')->primary()->constrained();
            $table->bigInteger('held')->default(0)->comment('kept under the row’s lock; proved against the entries');
            $table->index(['held', 'customer_id']);
        });
        DB::statement('ALTER TABLE deposit_accounts ADD CONSTRAINT deposits_not_below_zero CHECK (held >= 0)');

        Schema::create('deposit_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->string('kept_for', 60)->default('')->comment('the order it is kept for; empty: free');
            $table->bigInteger('amount')->comment('below zero: used or paid back');
            $table->date('business_date');
            $table->index(['customer_id', 'business_date', 'amount']);
            $table->index(['business_date', 'customer_id', 'amount']);
        });
    }

    private function layaways(): void
    {
        Schema::create('layaways', function (Blueprint $table): void {
            $table->id();
            $table
                ->string('label', 20)
                ->charset('ascii')
                ->collation('ascii_general_ci')
                ->nullable()
                ->unique()
                ->comment('LAY- and the id');
            $table
                ->char('key', 36)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->unique()
                ->comment('of the slip it was made from');
            $table->foreignId('location_id')->constrained();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff')->comment('whose sale it is');
            $table->string('state', 10)->default('running');
            $table->date('made_on');
            $table->date('expires_on');
            $table->unsignedSmallInteger('grace_days');
            $table->date('lapses_on')->comment('expires_on and the days of grace');
            $table->string('rhythm', 10);
            $table->json('terms')->comment('portions as agreed');
            $table->json('tax')->comment('profile, rounding and exemption as agreed');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->string('buyer', 120)->default('');
            $table->bigInteger('total');
            $table
                ->bigInteger('held')
                ->default(0)
                ->comment('paid and still here; kept under the row’s lock, proved against the entries');
            $table->unsignedSmallInteger('revision')->default(1)->comment('of its lines and its schedule');
            $table->bigInteger('paid_before')->default(0)->comment('what was paid before this schedule was made');
            $table->date('next_due')->nullable();
            $table->bigInteger('next_open')->default(0);
            $table->date('behind_from')->nullable()->comment('the first day on which it is behind');
            $table->date('paid_on')->nullable()->comment('in full');
            $table->string('shelf', 40)->default('');
            $table->mediumText('signature')->nullable()->comment('strokes of the pen, as a path');
            $table->string('signed_by', 120)->default('');
            $table->dateTime('signed_at', 3)->nullable();
            $table->foreignId('document_id')->nullable()->constrained()->comment('the invoice it became');
            $table->date('ended_on')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['customer_id', 'state']);
            $table->index(['state', 'next_due', 'id']);
            $table->index(['state', 'behind_from', 'id']);
            $table->index(['state', 'lapses_on', 'id']);
            $table->index(['state', 'paid_on', 'id']);
        });
        DB::statement(
            'ALTER TABLE layaways ADD CONSTRAINT layaway_held CHECK (held >= 0 AND held <= total AND state IN '
                ."('running', 'ready', 'completed', 'cancelled'))",
        );

        Schema::create('layaway_lines', function (Blueprint $table): void {
            $table->foreignId('layaway_id')->constrained();
            $table->unsignedSmallInteger('revision');
            $table->unsignedSmallInteger('position');
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
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->boolean('may_discount');
            $table->string('tax_class', 20);
            $table->decimal('cost', 14, 4)->nullable();
            $table->string('note')->default('');
            $table->foreignId('approval_id')->nullable()->constrained();
            $table->json('serials')->nullable();
            $table->primary(['layaway_id', 'revision', 'position']);
        });

        Schema::create('layaway_instalments', function (Blueprint $table): void {
            $table->foreignId('layaway_id')->constrained();
            $table->unsignedSmallInteger('revision');
            $table->unsignedSmallInteger('position');
            $table->date('due');
            $table->bigInteger('amount');
            $table->primary(['layaway_id', 'revision', 'position']);
        });

        Schema::create('layaway_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('layaway_id')->constrained();
            $table->foreignId('document_id')->constrained();
            $table->string('kind', 10)->comment('paid, fee, back, moved, goods');
            $table->bigInteger('amount')->comment('below zero: it left');
            $table->date('business_date');
            $table->index(['layaway_id', 'id']);
            $table->index(['business_date', 'amount']);
        });

        Schema::create('layaway_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('layaway_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('what', 500);
            $table->bigInteger('total_before');
            $table->bigInteger('total_after');
            $table->unsignedSmallInteger('revision');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['layaway_id', 'id']);
        });
    }

    private function slips(): void
    {
        Schema::table('slips', function (Blueprint $table): void {
            $table->bigInteger('deposit_in')->nullable()->comment('a deposit taken with it');
            $table->string('deposit_for', 60)->default('');
            $table->bigInteger('deposit_used')->nullable()->comment('of the deposits held, towards what is due');
            $table->foreignId('layaway_id')->nullable()->constrained()->comment('what it was held as');
            $table->json('layaways')->nullable()->comment('what is paid on which, and whether the goods leave');
        });
        Schema::table('slip_lines', function (Blueprint $table): void {
            $table->unsignedBigInteger('department_id')->nullable()->comment('null: a fee')->change();
            $table->json('serials')->nullable();
            $table
                ->foreignId('committed_approval_id')
                ->nullable()
                ->constrained('approvals')
                ->comment('that what is set aside for others may be sold');
        });

        Schema::create('slip_holds', function (Blueprint $table): void {
            $table->foreignId('slip_id')->primary()->constrained()->cascadeOnDelete();
            $table->bigInteger('deposit');
            $table->unsignedSmallInteger('count');
            $table->string('rhythm', 10);
            $table->date('first_due');
            $table->date('expires_on');
            $table->unsignedSmallInteger('grace_days');
            $table->json('terms');
            $table->mediumText('signature')->nullable();
            $table->string('signed_by', 120)->default('');
            $table->char('signed_for', 40)->charset('ascii')->default('')->comment('digest of what was signed');
            $table->foreignId('approval_id')->nullable()->constrained()->comment('of a deposit below the least');
            $table->bigInteger('approved_deposit')->default(0);
        });
    }

    private function plans(): void
    {
        Schema::create('plans', function (Blueprint $table): void {
            $table->id();
            $table
                ->string('label', 20)
                ->charset('ascii')
                ->collation('ascii_general_ci')
                ->nullable()
                ->unique()
                ->comment('PLN- and the id');
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('invoice_id')->constrained('documents');
            $table
                ->foreignId('charge_id')
                ->nullable()
                ->constrained('documents')
                ->comment('the invoice of the flat charge');
            $table->foreignId('document_id')->constrained()->comment('what takes both over');
            $table->foreignId('staff_id')->constrained('staff');
            $table->bigInteger('principal');
            $table->bigInteger('charge');
            $table->string('rhythm', 10);
            $table->date('made_on');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['customer_id', 'id']);
        });

        Schema::create('plan_parts', function (Blueprint $table): void {
            $table->foreignId('plan_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->foreignId('document_id')->unique()->constrained();
            $table->date('due');
            $table->bigInteger('amount');
            $table->primary(['plan_id', 'position']);
        });
    }

    private function reminders(): void
    {
        Schema::create('reminders', function (Blueprint $table): void {
            $table->id();
            $table->string('about', 10)->comment('layaway or plan');
            $table->unsignedBigInteger('about_id');
            $table->date('due')->comment('the day it reminds of');
            $table->smallInteger('days')->comment('before (below zero) or after it');
            $table->string('mail_to', 160);
            $table->date('sent_on');
            $table->timestamp('sent_at', 3)->useCurrent();
            $table->unique(['about', 'about_id', 'due', 'days'], 'each_reminder_once');
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
