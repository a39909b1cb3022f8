<?php

declare(strict_types=1);

namespace Elmstone\Shop;

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

    public function toValue(): TaxProfile
    {
        return TaxProfile::of(
            ...$this->components
                ->map(static fn (TaxComponentRecord $component): TaxComponent => $component->toValue())
                ->all(),
        );
    }
}
