<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $location_id
 * @property int $number
 * @property string $name
 * @property-read Location $location
 */
final class Till extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }
}
