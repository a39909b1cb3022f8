<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Elmstone\Support\Database\Record;

/**
 * That a setting was changed.
 *
 * @property int $id
 * @property string $area
 * @property string $what
 * @property string $old
 * @property string $new
 * @property int|null $staff_id null: as the shop was set up
 * @property CarbonImmutable $at
 */
final class SettingChange extends Record
{
    protected $table = 'setting_changes';

    protected $casts = ['at' => 'immutable_datetime'];
}
