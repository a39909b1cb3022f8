<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $id
 * @property int $tax_profile_id
 * @property int $position
 * @property string $code
 * @property string $name
 * @property Percentage $rate percent
 * @property list<string> $classes
 * @property list<string> $on_top_of
 */
final class TaxComponentRecord extends Record
{
    protected $table = 'tax_components';

    protected $casts = [
        'rate' => PercentageCast::class,
        'classes' => 'array', 'on_top_of' => 'array',
    ];

    public function toValue(): TaxComponent
    {
        return new TaxComponent($this->code, $this->rate, $this->classes, $this->on_top_of);
    }
}
