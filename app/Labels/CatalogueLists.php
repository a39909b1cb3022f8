<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Carbon\CarbonImmutable;
use Carbon\Exceptions\InvalidFormatException;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\PriceChange;
use Elmstone\Support\ShopTime;

/** What a search finds, one item, a family, what was marked down on a day, and what changed its price since one. */
final readonly class CatalogueLists implements ListsForLabels
{
    public const ITEMS = 'items';

    public const MARKDOWNS = 'markdowns';

    public const PRICES = 'prices';

    public const FAMILY = 'family';

    public const ALL = [self::ITEMS, self::MARKDOWNS, self::PRICES, self::FAMILY];

    private const MOST = 1000;

    public function __construct(private string $name, private ItemSearch $search)
    {
    }

    public function name(): string
    {
        return $this->name;
    }

    public function items(array $asked): iterable
    {
        $query = Item::query()->where('active', true)->orderBy('description')->limit(self::MOST);
        $since = self::day($asked['since'] ?? '');
        $query = match ($this->name) {
            self::MARKDOWNS => $query->where('marked_on', '>=', $since),
            self::PRICES => $query->whereIn('id', PriceChange::itemsSince($since)),
            self::FAMILY => $query->whereHas('family', static fn ($query) => $query->where(
                'code',
                $asked['code'] ?? '',
            )),
            default => $query
                ->when(($asked['code'] ?? '') !== '', static fn ($query) => $query->where('code', $asked['code']))
                ->when((int) ($asked['department'] ?? 0) > 0, static fn ($query) => $query->where(
                    'department_id',
                    (int) $asked['department'],
                ))
                ->when(($asked['find'] ?? '') !== '', fn ($query) => $query->whereIn(
                    'id',
                    $this->search->find($asked['find'], self::MOST)->modelKeys(),
                )),
        };

        foreach ($query->get() as $item) {
            yield [$item, 1];
        }
    }

    private static function day(string $typed): CarbonImmutable
    {
        try {
            return $typed === '' ? ShopTime::today() : CarbonImmutable::parse($typed)->startOfDay();
        } catch (InvalidFormatException) {
            return ShopTime::today();
        }
    }
}
