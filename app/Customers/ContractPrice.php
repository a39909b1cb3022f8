<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $customer_id
 * @property int $item_id
 * @property UnitPrice $price
 * @property CarbonImmutable|null $from_date
 * @property CarbonImmutable|null $until_date
 * @property string $name
 * @property-read Item $item
 */
final class ContractPrice extends Record
{
    protected $table = 'contract_prices';

    protected $casts = [
        'price' => UnitPriceCast::class,
        'from_date' => 'immutable_date', 'until_date' => 'immutable_date',
    ];

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }
}
