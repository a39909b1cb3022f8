<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Support\Database\Record;

/**
 * @property int $id
 * @property string $name
 * @property string $percent_off the list price, where an item has no price of its own at this level
 */
final class PriceLevel extends Record
{
    protected $table = 'price_levels';
}
