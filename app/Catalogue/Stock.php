<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Elmstone\Shop\Location;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * How much of an item a location has. Written by StockLedger only.
 *
 * @property int $item_id
 * @property int $location_id
 * @property string $on_hand
 * @property string $committed set aside for somebody
 * @property-read Location $location
 */
final class Stock extends Record
{
    protected $table = 'stock';

    public $incrementing = false;

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }

    /** Whether any of it is set aside for somebody. */
    public function isCommitted(): bool
    {
        return trim($this->committed, '0.') !== '';
    }

    /**
     * What is there and nobody's.
     *
     * @param  iterable<int|null>  $items ids
     * @return array<string, BigDecimal> by item and location, "12 1"; never below zero
     */
    public static function free(iterable $items): array
    {
        $free = [];

        foreach (self::query()->whereIn('item_id', collect($items)->filter()->unique())->get() as $one) {
            $available = $one->available();
            $free["{$one->item_id} {$one->location_id}"] = $available->isNegative() ? BigDecimal::zero() : $available;
        }

        return $free;
    }

    public function available(): BigDecimal
    {
        return BigDecimal::of($this->on_hand)->minus($this->committed)->stripTrailingZeros();
    }
}
