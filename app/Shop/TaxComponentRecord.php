<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A tax of a place. Its rate is the first it had; what it changes to stands beside it, by the day it does.
 *
 * @property int $id
 * @property int $tax_profile_id
 * @property int $position
 * @property string $code
 * @property string $name
 * @property Percentage $rate percent, before the first change
 * @property list<string> $classes
 * @property list<string> $on_top_of
 * @property-read Collection<int, TaxRate> $rates by day
 */
final class TaxComponentRecord extends Record
{
    protected $table = 'tax_components';

    protected $casts = [
        'rate' => PercentageCast::class,
        'classes' => 'array', 'on_top_of' => 'array',
    ];

    protected $with = ['rates'];

    /** @return HasMany<TaxRate, $this> */
    public function rates(): HasMany
    {
        return $this->hasMany(TaxRate::class, 'tax_component_id')->orderBy('from_date');
    }

    /** @return Percentage|null null: it is not levied on that day */
    public function rateOn(CarbonImmutable $day): ?Percentage
    {
        $last = $this->rates->last(
            static fn (TaxRate $rate): bool => $rate->from_date->format('Y-m-d') <= $day->format('Y-m-d'),
        );

        return $last === null ? $this->rate : $last->rate;
    }
}
