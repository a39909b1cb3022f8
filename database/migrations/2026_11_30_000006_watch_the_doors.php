<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Sessions that end, and a log of who came in and what was changed about who may do what. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table(
            'staff',
            static fn (Blueprint $table) => $table
                ->unsignedInteger('epoch')
                ->default(0)
                ->comment('counts what ended their sessions'),
        );
        Schema::table('shop', function (Blueprint $table): void {
            $table
                ->unsignedSmallInteger('idle_minutes')
                ->default(20)
                ->comment('without an act, until the PIN is asked for; 0: never');
            $table
                ->boolean('see_other_locations')
                ->default(true)
                ->comment('whether clerks see slips and documents of other locations');
        });

        // Each scan of a certificate is kept.
        Schema::table('certificate_scans', static fn (Blueprint $table) => $table->dropForeign(['customer_id']));
        DB::statement(
            'ALTER TABLE certificate_scans DROP PRIMARY KEY, ADD COLUMN id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT '
                .'PRIMARY KEY FIRST, ADD INDEX certificate_scans_customer (customer_id, id)',
        );
        Schema::table(
            'certificate_scans',
            static fn (Blueprint $table) => $table->foreign('customer_id')->references('id')->on('customers'),
        );

        Schema::create('security_log', function (Blueprint $table): void {
            $table->id();
            $table->string('what', 30);
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->foreignId('till_id')->nullable()->constrained();
            $table->string('about')->default('');
            $table->string('address', 45)->charset('ascii')->collation('ascii_general_ci')->default('');
            $table->dateTime('at', 3);
            $table->index(['what', 'id']);
            $table->index(['staff_id', 'id']);
            $table->index('at');
        });

        foreach (['UPDATE', 'DELETE'] as $change) {
            DB::unprepared(
                "CREATE TRIGGER security_log_no_{$change} BEFORE {$change} ON security_log FOR EACH ROW SIGNAL "
                    ."SQLSTATE '45000' SET MESSAGE_TEXT = 'Posted is posted: security_log rows are never changed'",
            );
        }
    }
};
