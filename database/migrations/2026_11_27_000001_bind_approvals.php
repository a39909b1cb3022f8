<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Approvals name the figures they cover and belong to the document; limits stand per role; what a terminal is asked
 * stands in one table.
 */
return new class extends Migration
{
    private const WAYS = ['cash', 'card', 'cheque', 'bank_transfer'];

    public function up(): void
    {
        $this->approvals();
        $this->limits();
        $this->slips();
        $this->cards();
        Schema::table(
            'house_accounts',
            static fn (Blueprint $table) => $table
                ->string('buyer', 10)
                ->nullable()
                ->comment('optional or named; null: named where anybody of theirs has a limit'),
        );
    }

    private function approvals(): void
    {
        Schema::table('approvals', function (Blueprint $table): void {
            $table->string('place', 60)->default('')->comment('what on the slip it is for');
            $table->json('figures')->nullable()->comment('what it covers; null: from before figures were kept');
        });
        DB::unprepared(
            <<<'SQL'
            CREATE TRIGGER approvals_by_another BEFORE INSERT ON approvals FOR EACH ROW
            BEGIN
                IF NEW.asked_by = NEW.approved_by THEN
                    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Nobody approves what they ask for themselves';
                END IF;
            END
            SQL
            ,
        );

        Schema::create('document_approvals', function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->foreignId('approval_id')->constrained();
            $table->string('place', 60)->comment('a line as line:1, else what of the document it is for');
            $table->json('needed')->comment('the figures that needed it');
            $table->primary(['document_id', 'approval_id', 'place']);
        });

        foreach (['UPDATE', 'DELETE'] as $change) {
            DB::unprepared(
                "CREATE TRIGGER document_approvals_no_{$change} BEFORE {$change} ON document_approvals FOR EACH ROW "
                    ."SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Posted is posted: document_approvals rows are never "
                    ."changed'",
            );
        }
    }

    private function limits(): void
    {
        Schema::create('role_limits', function (Blueprint $table): void {
            $table->string('role', 20);
            $table->string('matter', 30);
            $table->bigInteger('per_document')->nullable()->comment('minor units without approval; null: any');
            $table->bigInteger('per_original')->nullable();
            $table->bigInteger('per_day')->nullable();
            $table->bigInteger('approves')->nullable()->comment('may be approved for others; null: any');
            $table->primary(['role', 'matter']);
        });

        foreach (DB::table('shop')->get(['refund_limit', 'currency']) as $shop) {
            foreach (self::WAYS as $way) {
                DB::table('role_limits')->insert([
                    'role' => 'clerk',
                    'matter' => $way,
                    'per_document' => $shop->refund_limit,
                    'per_original' => $shop->refund_limit,
                    'per_day' => $shop->refund_limit === null ? null : 5 * $shop->refund_limit,
                    'approves' => 0,
                ]);
            }
        }

        Schema::table('shop', function (Blueprint $table): void {
            $table->dropColumn('refund_limit');
            $table
                ->bigInteger('largest_amount')
                ->default(100_000_000)
                ->comment('minor units; nothing larger is taken where money is typed');
        });
    }

    /** What was approved is found by its figures, not by columns beside them. */
    private function slips(): void
    {
        Schema::table('slips', function (Blueprint $table): void {
            $table->json('back_other')->nullable()->comment('money ways opened that nothing came in by');
            $table->dropColumn([
                'charge_approved_for',
                'charge_approved_over',
                'refund_approved',
                'blind_cash_approved',
            ]);

            foreach (['charge_approval_id', 'discount_approval_id', 'refund_approval_id'] as $column) {
                $table->dropConstrainedForeignId($column);
            }
        });
        Schema::table('slip_lines', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('approval_id');
            $table->dropConstrainedForeignId('committed_approval_id');
        });
        Schema::table('slip_returns', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('approval_id');
            $table->boolean('receipt_shown')->default(false)->comment('found by its number, or by card and day');
        });
        Schema::table('slip_holds', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('approval_id');
            $table->dropColumn('approved_deposit');
        });
    }

    private function cards(): void
    {
        Schema::rename('card_payments', 'card_requests');
        Schema::table('card_requests', function (Blueprint $table): void {
            $table
                ->string('subject', 20)
                ->default('slip')
                ->after('key')
                ->comment('what it is for: slip, layaway, deposit, credit');
            $table->unsignedBigInteger('subject_id')->nullable()->after('subject');
            $table
                ->unsignedInteger('ordinal')
                ->nullable()
                ->after('subject_id')
                ->comment('the how many-th question asked for it');
            $table->foreignId('staff_id')->nullable()->after('till_id')->constrained('staff');
            $table
                ->foreignId('document_id')
                ->nullable()
                ->constrained()
                ->comment('what it was posted with; null: not yet, or undone');
            $table->index(['against', 'state']);
            $table->index('authorisation');
        });
        DB::update(
            'UPDATE card_requests r JOIN slips s ON s.id = r.slip_id SET r.subject_id = r.slip_id, r.ordinal = r.id, '
                .'r.staff_id = s.staff_id',
        );
        DB::update(
            'UPDATE card_requests r JOIN slips s ON s.id = r.slip_id JOIN document_tenders t ON t.document_id IN '
                ."(s.document_id, s.receipt_id, s.credit_note_id) AND t.kind = 'card' AND t.authorisation = "
                ."r.authorisation SET r.document_id = t.document_id WHERE r.state IN ('approved', 'keyed')",
        );
        Schema::table('card_requests', function (Blueprint $table): void {
            $table->dropForeign('card_payments_slip_id_foreign');
            $table->dropIndex('card_payments_slip_id_state_index');
            $table->dropColumn('slip_id');
            $table->unsignedBigInteger('subject_id')->nullable(false)->change();
            $table->unsignedInteger('ordinal')->nullable(false)->change();
            $table->unique(['subject', 'subject_id', 'ordinal'], 'one_question_at_a_time');
        });
        Schema::table('document_tenders', static fn (Blueprint $table) => $table->index('authorisation'));
        Schema::table('terminal_requests', static fn (Blueprint $table) => $table->index('authorisation'));
    }
};
