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
 * @property bool $training whether it is for training: nothing is posted at it
 * @property bool $online nobody stands there: what is paid by links
 * @property string $printer host:port of its receipt printer; empty: none
 * @property int $paper_mm how wide its paper is
 * @property bool $drawer_per_person whether each who works at it has a drawer of their own; else one for all
 * @property-read Location $location
 */
final class Till extends Record
{
    protected $table = 'tills';

    protected $casts = ['training' => 'bool', 'online' => 'bool', 'drawer_per_person' => 'bool'];

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }
}
