<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CashUp;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * Fixes what was counted in a drawer, beside what should be in it at that moment. From then on no money goes in or out,
 * until it is closed or goes on; a recount is another count.
 */
final class CountTill
{
    public function __construct(private readonly Drawer $drawer)
    {
    }

    /**
     * @param  int  $seen how many counts there were when it was begun
     *
     * @throws Refused not_open, counted_meanwhile, bad_amount
     */
    public function handle(Till $till, CashCount $cash, Money $cheques, Money $cards, int $seen, Staff $by): TillCount
    {
        CashUp::cash($cheques);

        return DB::transaction(function () use ($till, $cash, $cheques, $cards, $seen, $by): TillCount {
            $session = self::locked($till);
            $number = (int) $session->counts()->max('number');

            if ($number !== $seen) {
                throw Refused::because('counted_meanwhile', 'Somebody has counted meanwhile. Here is how it stands.');
            }

            $count = TillCount::query()->create([
                'session_id' => $session->id,
                'number' => $number + 1,
                'counted_by' => $by->id,
                'counted_at' => now(),
            ]);
            $this->write($count, $cash, [
                Drawer::CASH->value => $cash->total,
                'cheque' => $cheques,
                'card' => $cards,
            ], $this->drawer->expected($session));
            $session->update(['state' => SessionState::Counted]);

            return $count;
        }, 3);
    }

    /**
     * It goes on taking money; what was counted stays on record.
     *
     * @throws Refused not_open
     */
    public function goOn(Till $till): void
    {
        DB::transaction(
            static fn () => self::locked($till)->update(['state' => SessionState::Open]),
            3,
        );
    }

    /** @throws Refused not_open */
    public static function locked(Till $till): TillSession
    {
        return TillSession::query()
            ->where('till_id', $till->id)
            ->where('unclosed', true)
            ->lockForUpdate()
            ->first()
            ?? throw Refused::because('not_open', "{$till->name} is not open.");
    }

    /**
     * @param  array<string, Money>  $counted by way
     * @param  array<string, Money>  $expected by way
     */
    private function write(TillCount $count, CashCount $cash, array $counted, array $expected): void
    {
        foreach ($counted as $way => $amount) {
            DB::table('till_count_ways')->insert([
                'count_id' => $count->id,
                'way' => $way,
                'expected' => $expected[$way],
                'counted' => $amount,
            ]);
        }

        DB::table('till_count_units')->insert(
            array_map(static fn (CountedUnit $unit): array => [
                'count_id' => $count->id,
                'unit' => $unit->unit,
                'pieces' => $unit->count,
            ], $cash->units),
        );
    }
}
