<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That someone changed one of an item's prices. Insert-only.
 *
 * @property int $item_id
 * @property int $staff_id
 * @property string $field
 * @property string|null $was
 * @property string|null $became
 * @property CarbonImmutable $changed_at
 * @property-read Staff $staff
 */
final class PriceChange extends Record
{
    protected $table = 'price_changes';

    protected $casts = ['changed_at' => 'immutable_datetime'];

    /** @return list<int> items that changed a price on a day or since */
    public static function itemsSince(CarbonImmutable $day): array
    {
        return array_values(self::query()
            ->where('changed_at', '>=', ShopTime::beginning($day))
            ->distinct()
            ->pluck('item_id')
            ->map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0)
            ->all());
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }
}
