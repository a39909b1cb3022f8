<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What was set against each other before it was there is dated anew: from the later of the two documents, and what
 * takes it back not before it.
 */
return new class extends Migration
{
    private const TRIGGER
        = 'CREATE TRIGGER allocations_no_UPDATE BEFORE UPDATE ON allocations FOR EACH ROW SIGNAL '
        ."SQLSTATE '45000' SET MESSAGE_TEXT = 'Posted is posted: allocations are taken back, never changed'";

    public function up(): void
    {
        DB::unprepared('DROP TRIGGER allocations_no_UPDATE');
        DB::statement(
            'UPDATE allocations a JOIN open_items c ON c.document_id = a.credit_id JOIN open_items h ON h.document_id '
                .'= a.charge_id SET a.business_date = GREATEST(a.business_date, c.business_date, h.business_date)',
        );
        DB::statement(
            'UPDATE allocations b JOIN allocations a ON a.id = b.takes_back_id SET b.business_date = '
                .'GREATEST(a.business_date, b.business_date)',
        );
        DB::unprepared(self::TRIGGER);
        DB::statement(
            <<<'SQL'
            UPDATE open_items i JOIN (
                SELECT document_id, MAX(business_date) AS last
                    FROM (SELECT charge_id AS document_id, business_date
                    FROM allocations UNION ALL SELECT credit_id, business_date
                    FROM allocations) both_sides GROUP BY document_id
            ) m ON m.document_id = i.document_id SET i.moved_on = GREATEST(i.business_date, m.last)
            SQL
            ,
        );
        DB::unprepared(
            <<<'SQL'
            CREATE TRIGGER allocations_from_the_later_day BEFORE INSERT ON allocations FOR EACH ROW
            IF NEW.business_date < (SELECT MAX(business_date)
                FROM open_items WHERE document_id IN (NEW.credit_id, NEW.charge_id)) THEN
                SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'An allocation counts from the later of its two documents';
            END IF
            SQL
            ,
        );
    }
};
