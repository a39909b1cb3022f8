<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Support\Database\Record;

/**
 * That somebody at a till, or everybody there, uses another till’s device.
 *
 * @property int $id
 * @property int $till_id
 * @property int $staff_id 0: whoever is at it
 * @property DeviceKind $kind
 * @property int $uses_id the till whose device it is
 * @property int $chosen_by
 */
final class DeviceChoice extends Record
{
    protected $table = 'device_choices';

    protected $casts = ['kind' => DeviceKind::class];
}
