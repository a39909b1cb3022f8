<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That someone changed one of an item's prices. Insert-only.
 *
 * @property int $item_id
 * @property int $staff_id
 * @property string $field
 * @property string|null $was
 * @property string|null $became
 * @property CarbonImmutable $changed_at
 * @property-read Staff $staff
 */
final class PriceChange extends Record
{
    protected $table = 'price_changes';

    protected $casts = ['changed_at' => 'immutable_datetime'];

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }
}
