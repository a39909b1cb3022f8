<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $location_id
 * @property int $number
 * @property string $name
 * @property-read Location $location
 */
final class Till extends Record
{
    protected $table = 'tills';

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }
}
