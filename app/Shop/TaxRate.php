<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * What a tax is from a day on.
 *
 * @property int $id
 * @property int $tax_component_id
 * @property CarbonImmutable $from_date
 * @property Percentage|null $rate percent; null: it is not levied any more, or not yet
 */
final class TaxRate extends Record
{
    protected $table = 'tax_rates';

    protected $casts = ['from_date' => 'immutable_date', 'rate' => PercentageCast::class];
}
