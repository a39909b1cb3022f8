<?php

declare(strict_types=1);

use Elmstone\Core\Credits\CardCode;
use Elmstone\GiftCards\KeptCode;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Of a gift card's number a keyed digest and the last four are kept; the number itself, encrypted, until it is printed
 * once.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['gift_cards', 'gift_card_codes'] as $table) {
            Schema::table(
                $table,
                static fn (Blueprint $table) => $table
                    ->char('code', 48)
                    ->charset('ascii')
                    ->collation('ascii_bin')
                    ->comment('keyed digest and last four')
                    ->change(),
            );
        }

        Schema::table(
            'slips',
            static fn (Blueprint $table) => $table
                ->char('back_card', 48)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->nullable()
                ->change(),
        );
        Schema::table(
            'gift_cards',
            static fn (Blueprint $table) => $table
                ->text('number')
                ->nullable()
                ->comment('encrypted, until it is printed'),
        );
        Schema::table(
            'gift_card_codes',
            static fn (Blueprint $table) => $table
                ->char('seal', 64)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->default(''),
        );

        foreach (DB::table('gift_card_codes')->get() as $row) {
            $kept = KeptCode::of(CardCode::of((string) $row->code));
            DB::table('gift_card_codes')
                ->where('code', $row->code)
                ->update(['code' => $kept, 'seal' => KeptCode::seal($kept, (int) $row->gift_card_id)]);
            DB::table('gift_cards')
                ->where('code', $row->code)
                ->update(['code' => $kept]);
            DB::table('slips')
                ->where('back_card', $row->code)
                ->update(['back_card' => $kept]);
        }

        foreach (['cards_sold', 'cards_used'] as $column) {
            foreach (
                DB::table('slips')
                    ->whereNotNull($column)
                    ->get(['id', $column]) as $slip
            ) {
                DB::table('slips')
                    ->where('id', $slip->id)
                    ->update([
                        $column => preg_replace_callback(
                            '/"(9\d{15})"/',
                            static fn (array $found): string => '"'.KeptCode::of(CardCode::of($found[1])).'"',
                            (string) $slip->{$column},
                        ),
                    ]);
            }
        }
    }
};
