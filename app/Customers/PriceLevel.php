<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $id
 * @property string $name
 * @property Percentage $percent_off the list price, where an item has no price of its own at this level
 */
final class PriceLevel extends Record
{
    protected $table = 'price_levels';

    protected $casts = [
        'percent_off' => PercentageCast::class,
    ];
}
