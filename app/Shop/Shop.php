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
 * @property string $country ISO 3166-1 alpha-2
 * @property string $postcode
 * @property string $tax_number
 * @property string $bank_account printed on statements
 * @property string|null $finance_percent a month; null: no finance charges
 * @property int $finance_grace_days
 * @property int $finance_minimum minor units
 * @property int $returned_payment_fee minor units
 */
final class Shop extends Model
{
    protected $table = 'shop';

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['tax_included' => 'bool', 'notes' => 'array', 'cash_step' => 'int'];
}
