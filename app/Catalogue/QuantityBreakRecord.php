<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\QuantityBreak;
use Elmstone\Support\Casts\QuantityCast;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $id
 * @property int $item_id
 * @property Quantity $from_quantity
 * @property UnitPrice $price
 */
final class QuantityBreakRecord extends Record
{
    protected $table = 'quantity_breaks';

    protected $casts = [
        'from_quantity' => QuantityCast::class,
        'price' => UnitPriceCast::class,
    ];

    public function toValue(): QuantityBreak
    {
        return new QuantityBreak($this->from_quantity, $this->price);
    }
}
