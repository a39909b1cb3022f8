<?php

declare(strict_types=1);

use Elmstone\Receivables\AllocationChain;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What is set against what is chained by credit. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table(
            'open_items',
            static fn (Blueprint $table) => $table
                ->char('set_digest', 64)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->nullable()
                ->comment('the last of what this credit was set against'),
        );
        Schema::table(
            'allocations',
            static fn (Blueprint $table) => $table
                ->char('digest', 64)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->default('')
                ->comment('chained by credit'),
        );
        DB::unprepared('DROP TRIGGER allocations_no_UPDATE');
        AllocationChain::chainAll();
        DB::unprepared(
            "CREATE TRIGGER allocations_no_UPDATE BEFORE UPDATE ON allocations FOR EACH ROW SIGNAL SQLSTATE '45000' "
                ."SET MESSAGE_TEXT = 'Posted is posted: allocations are taken back, never changed'",
        );
    }
};
