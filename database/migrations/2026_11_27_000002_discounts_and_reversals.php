<?php

declare(strict_types=1);

use Elmstone\Books\Accounts;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A settlement discount belongs to the allocation that earned it. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('DROP TRIGGER allocations_no_UPDATE');
        Schema::table('allocations', function (Blueprint $table): void {
            $table->bigInteger('discount')->default(0)->comment('the part of the amount that is a settlement discount');
        });
        // Where a payment earned its discount on one invoice, that one has it; on several, each what was agreed of it.
        DB::update(
            <<<'SQL'
            UPDATE allocations a JOIN documents d ON d.id = a.credit_id JOIN open_items i ON i.document_id = a.charge_id
            SET a.discount = SIGN(a.amount) * LEAST(d.settlement_discount,
                ROUND(i.amount * COALESCE(i.discount_percent, 100) / 100))
            WHERE d.purpose = 'payment' AND d.settlement_discount > 0 AND ABS(a.amount) = i.amount
                AND (i.discount_percent IS NOT NULL OR (SELECT COUNT(*) FROM (SELECT credit_id
                    FROM allocations) b WHERE b.credit_id = a.credit_id) = 1)
            SQL
            ,
        );
        DB::unprepared(
            "CREATE TRIGGER allocations_no_UPDATE BEFORE UPDATE ON allocations FOR EACH ROW SIGNAL SQLSTATE '45000' "
                ."SET MESSAGE_TEXT = 'Posted is posted: allocations are taken back, never changed'",
        );
        DB::statement(
            'ALTER TABLE allocations ADD CONSTRAINT discount_within CHECK (ABS(discount) <= ABS(amount) AND discount '
                .'* amount >= 0)',
        );
        Accounts::open();
    }
};
