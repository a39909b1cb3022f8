<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A customer’s personal data can be erased; that something of it was changed, by whom and when, stays. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('customers', static function (Blueprint $table): void {
            $table->timestamp('erased_at', 3)->nullable();
        });
        DB::unprepared('DROP TRIGGER customer_changes_no_update');
        Rows::refuse(
            'customer_changes',
            'UPDATE',
            'no_update',
            'NEW.before <> "" OR NEW.after <> "" OR NEW.id <> OLD.id OR NEW.customer_id <> OLD.customer_id '
                .'OR NEW.staff_id <> OLD.staff_id OR NEW.what <> OLD.what OR NEW.reason <> OLD.reason '
                .'OR NEW.changed_at <> OLD.changed_at OR NOT EXISTS (SELECT 1 FROM customers c '
                .'WHERE c.id = OLD.customer_id AND c.erased_at IS NOT NULL)',
            'Posted is posted: customer_changes rows are emptied with their customer or never changed',
        );
    }
};
