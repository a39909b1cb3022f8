<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Items that differ in one property or two.
 *
 * @property int $id
 * @property string $code what the codes of its items begin with
 * @property string $name
 * @property int $department_id
 * @property string $first the property down the side
 * @property string $second the property across; empty: there is only one
 * @property UnitPrice|null $list_price of the cells that have none of their own
 * @property int $version
 * @property-read Department $department
 * @property-read Collection<int, FamilyValue> $values
 * @property-read Collection<int, Item> $items
 */
final class Family extends Record
{
    /** Cells a grid can have: more can be neither read nor typed. */
    public const MOST = 600;

    protected $table = 'families';

    protected $casts = ['list_price' => UnitPriceCast::class, 'version' => 'int'];

    /** @return BelongsTo<Department, $this> */
    public function department(): BelongsTo
    {
        return $this->belongsTo(Department::class);
    }

    /** @return HasMany<FamilyValue, $this> */
    public function values(): HasMany
    {
        return $this->hasMany(FamilyValue::class)->orderBy('axis')->orderBy('position');
    }

    /** @return HasMany<Item, $this> */
    public function items(): HasMany
    {
        return $this->hasMany(Item::class);
    }

    /**
     * @param  1|2  $axis
     * @return array<int, string> values by position; of a property there is not: one, without a name
     */
    public function valuesOf(int $axis): array
    {
        return $axis === 2 && $this->second === ''
            ? [1 => '']
            : $this->values->where('axis', $axis)->pluck('value', 'position')->all();
    }

    /** What the item of a cell is called. */
    public function described(int $first, int $second): string
    {
        return mb_substr(implode(', ', array_filter([
            $this->name,
            $this->valuesOf(1)[$first] ?? '',
            $this->valuesOf(2)[$second] ?? '',
        ], static fn (string $part): bool => $part !== '')), 0, 160);
    }

    /** @throws Refused too_many_cells */
    public static function assertFits(int $first, int $second): void
    {
        $first * $second > self::MOST && throw Refused::because(
            'too_many_cells',
            "{$first} × {$second} is ".number_format($first * $second).' items; a family has at most '
                .self::MOST.'. Make several families of it.',
        );
    }

    /**
     * The rows of it and of its items are one's own until the transaction ends.
     *
     * @param  int|null  $version as it was seen; null: whatever it is
     *
     * @throws Refused changed_elsewhere
     */
    public static function locked(int $id, ?int $version): self
    {
        $family = self::query()->lockForUpdate()->findOrFail($id);

        return $version === null || $family->version === $version ? $family : throw Refused::because(
            'changed_elsewhere',
            "Somebody changed {$family->name} meanwhile. Look at it as it stands now before you keep yours.",
        );
    }
}
