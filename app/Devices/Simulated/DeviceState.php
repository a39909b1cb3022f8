<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;

/** What the simulated devices of a till remember. */
final class DeviceState
{
    /** @return array<string, mixed> */
    public static function read(Till $till, string $device): array
    {
        $json = DB::table('simulated_devices')
            ->where(['till_id' => $till->id, 'device' => $device])
            ->value('state');
        $state = is_string($json) ? json_decode($json, true, flags: JSON_THROW_ON_ERROR) : [];

        return is_array($state) ? $state : [];
    }

    /** @param  array<string, mixed>  $state */
    public static function write(Till $till, string $device, array $state): void
    {
        DB::table('simulated_devices')->upsert(
            [['till_id' => $till->id, 'device' => $device, 'state' => json_encode($state, JSON_THROW_ON_ERROR)]],
            ['till_id', 'device'],
            ['state'],
        );
    }
}
