<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\DatedPrice;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $id
 * @property int $item_id
 * @property string $name
 * @property UnitPrice $price
 * @property CarbonImmutable|null $from_date
 * @property CarbonImmutable|null $until_date
 */
final class PromotionRecord extends Record
{
    protected $table = 'promotions';

    protected $casts = [
        'price' => UnitPriceCast::class,
        'from_date' => 'immutable_date', 'until_date' => 'immutable_date',
    ];

    public function toValue(): DatedPrice
    {
        return new DatedPrice($this->price, $this->from_date, $this->until_date, $this->name);
    }
}
