<?php

declare(strict_types=1);

use Elmstone\Books\Accounts;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What each movement of stock did to the inventory account, and what stock is worth by the books. A payment on a plan,
 * on the slip. What the stand-in terminal paid back against.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('stock_movements', static function (Blueprint $table): void {
            $table
                ->bigInteger('value')
                ->default(0)
                ->after('unit_cost')
                ->comment('minor units, as it was posted to inventory');
        });
        Schema::table('stock', static function (Blueprint $table): void {
            $table
                ->bigInteger('value')
                ->default(0)
                ->comment('minor units, the sum of what its movements did to inventory');
        });
        Schema::table(
            'slips',
            static function (Blueprint $table): void {
                $table->foreignId('plan_id')->nullable()->after('on_account')->constrained();
            },
        );
        Schema::table(
            'terminal_requests',
            static fn (Blueprint $table) => $table
                ->string('against', 20)
                ->default('')
                ->after('act')
                ->comment('of a refund: the payment it goes back to'),
        );
        Schema::table(
            'staff',
            static fn (Blueprint $table) => $table
                ->char('last_slip', 36)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->nullable()
                ->comment('the slip they had on the counter last'),
        );
        DB::table('shop')->exists() && Accounts::open();
    }
};
