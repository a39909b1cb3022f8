<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $name
 * @property string $percent_off the list price, where an item has no price of its own at this level
 */
final class PriceLevel extends Model
{
    public $timestamps = false;

    protected $guarded = [];
}
