<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\QuantityBreak;
use Elmstone\Support\Database\Record;

/**
 * @property int $id
 * @property int $item_id
 * @property string $from_quantity
 * @property string $price
 */
final class QuantityBreakRecord extends Record
{
    protected $table = 'quantity_breaks';

    public function toValue(): QuantityBreak
    {
        return new QuantityBreak(Quantity::of($this->from_quantity), UnitPrice::of($this->price));
    }
}
