<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Carbon\CarbonImmutable;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Who came in, who was turned away, and what was changed about who may do what. Only ever written, never changed. */
final class SecurityLog
{
    /** @param  Staff|null  $by null: nobody is signed in */
    public static function write(SecurityEvent $what, ?Staff $by, string $about = '', ?int $till = null): void
    {
        $request = app(Request::class);
        $atTill = app(AtTill::class);
        DB::table('security_log')->insert([
            'what' => $what->value,
            'staff_id' => $by?->id,
            'till_id' => $till ?? ($atTill->isChosen() ? $atTill->till()->id : null),
            'about' => mb_substr($about, 0, 255),
            'address' => mb_substr((string) $request->ip(), 0, 45),
            'at' => CarbonImmutable::now()->format('Y-m-d H:i:s.v'),
        ]);
    }

    /** How often something happened at a till between two moments. */
    public static function count(SecurityEvent $what, int $till, CarbonImmutable $from, CarbonImmutable $to): int
    {
        return DB::table('security_log')
            ->where('till_id', $till)
            ->where('what', $what->value)
            ->whereBetween('at', [$from->format('Y-m-d H:i:s.v'), $to->format('Y-m-d H:i:s.v')])
            ->count();
    }
}
