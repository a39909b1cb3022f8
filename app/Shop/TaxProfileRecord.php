<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * The taxes of a place, as kept in the database.
 *
 * @property int $id
 * @property string $name
 * @property-read Collection<int, TaxComponentRecord> $components
 */
final class TaxProfileRecord extends Record
{
    protected $table = 'tax_profiles';

    /** @return HasMany<TaxComponentRecord, $this> */
    public function components(): HasMany
    {
        return $this->hasMany(TaxComponentRecord::class, 'tax_profile_id')->orderBy('position');
    }

    /** The taxes as they are on a day. */
    public function toValue(CarbonImmutable $day): TaxProfile
    {
        return TaxProfile::of(...$this->leviedOn($day));
    }

    /** @return list<TaxComponent> those levied on a day, in their order */
    public function leviedOn(CarbonImmutable $day): array
    {
        $levied = [];

        foreach ($this->components as $component) {
            $rate = $component->rateOn($day);

            if ($rate !== null) {
                $levied[$component->code] = new TaxComponent(
                    $component->code,
                    $rate,
                    $component->classes,
                    array_values(array_intersect($component->on_top_of, array_keys($levied))),
                );
            }
        }

        return array_values($levied);
    }

    /** @return array<string, string> by component, levied or not */
    public function names(): array
    {
        return array_map(
            static fn (mixed $name): string => is_string($name) ? $name : '',
            $this->components->pluck('name', 'code')->all(),
        );
    }
}
