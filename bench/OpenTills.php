<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Opens every till of a bench's shop with nothing in it. */
final class OpenTills
{
    public static function all(): void
    {
        foreach (Till::query()->orderBy('id')->get() as $till) {
            self::open($till, 1);
        }
    }

    /** @return int the session */
    public static function open(Till $till, int $number): int
    {
        return DB::table('till_sessions')->insertGetId([
            'till_id' => $till->id,
            'location_id' => $till->location_id,
            'number' => $number,
            'state' => 'open',
            'unclosed' => true,
            'opened_by' => Staff::query()->orderBy('id')->firstOrFail()->id,
            'opened_at' => now()->format('Y-m-d H:i:s.v'),
            'opened_on' => ShopTime::today()->format('Y-m-d'),
            'carried' => 0,
            'float_amount' => 0,
            'open_key' => (string) Str::uuid(),
        ]);
    }
}
