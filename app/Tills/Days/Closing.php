<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Days of a location, or a month of the house, that were closed; and perhaps opened again, which stays on record.
 *
 * @property int $id
 * @property int|null $location_id null: a month, of the whole house
 * @property CarbonImmutable $from_day
 * @property CarbonImmutable $through
 * @property int $closed_by
 * @property CarbonImmutable $closed_at
 * @property int|null $reopened_by
 * @property CarbonImmutable|null $reopened_at
 * @property string $reason why it was opened again
 * @property list<string>|null $checks of a month: what was looked at
 * @property-read Staff $closer
 * @property-read Staff|null $reopener
 */
final class Closing extends Record
{
    protected $table = 'closings';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'from_day' => 'immutable_date',
        'through' => 'immutable_date',
        'closed_at' => 'immutable_datetime',
        'reopened_at' => 'immutable_datetime',
        'checks' => 'array',
    ];

    /** @return BelongsTo<Staff, $this> */
    public function closer(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'closed_by');
    }

    /** @return BelongsTo<Staff, $this> */
    public function reopener(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'reopened_by');
    }

    /**
     * Those in force.
     *
     * @param  int|null  $location null: months
     * @return Builder<self>
     */
    public static function inForce(?int $location): Builder
    {
        return self::query()->where('location_id', $location)->whereNull('reopened_at');
    }
}
