<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Illuminate\Database\Eloquent\Model;

/**
 * The shop's settings: one row.
 *
 * @property int $id
 * @property string $name
 * @property string $currency ISO 4217
 * @property bool $tax_included
 * @property string $tax_rounding
 * @property int|null $cash_step minor units
 * @property list<int> $notes minor units
 * @property string $receipt_foot
 */
final class Shop extends Model
{
    protected $table = 'shop';

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['tax_included' => 'bool', 'notes' => 'array', 'cash_step' => 'int'];
}
