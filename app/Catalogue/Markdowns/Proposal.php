<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What an item is to cost from this morning on, if somebody takes it.
 *
 * @property int $item_id
 * @property int $department_id
 * @property int $step counted from 1; 0: none is reached any more
 * @property int $days since goods last came in
 * @property string $on_hand at all locations
 * @property UnitPrice|null $price null: it goes back to its other prices
 * @property bool $held_by_floor
 * @property-read Item $item
 */
final class Proposal extends Record
{
    protected $table = 'markdown_proposals';

    protected $primaryKey = 'item_id';

    public $incrementing = false;

    protected $casts = ['price' => UnitPriceCast::class, 'held_by_floor' => 'bool'];

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }
}
