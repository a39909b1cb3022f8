<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That someone allowed something, and why. Insert-only.
 *
 * @property int $id
 * @property int $asked_by
 * @property int $approved_by
 * @property int|null $slip_id
 * @property string $what
 * @property string $detail
 * @property string $reason
 * @property CarbonImmutable $approved_at
 * @property-read Staff $approver
 */
final class Approval extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['approved_at' => 'immutable_datetime'];

    /** @return BelongsTo<Staff, $this> */
    public function approver(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'approved_by');
    }
}
