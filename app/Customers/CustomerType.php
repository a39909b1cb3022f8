<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A kind of customer, with the price level and discount that go with it.
 *
 * @property int $id
 * @property string $name
 * @property int|null $price_level_id
 * @property Percentage|null $discount_percent
 * @property-read PriceLevel|null $priceLevel
 */
final class CustomerType extends Record
{
    protected $table = 'customer_types';

    protected $casts = [
        'discount_percent' => PercentageCast::class,
    ];

    /** @return BelongsTo<PriceLevel, $this> */
    public function priceLevel(): BelongsTo
    {
        return $this->belongsTo(PriceLevel::class);
    }
}
