<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Core\Money\UnitPrice;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Makes or changes an item. Every change of a price, cost, break or promotion is put on record. */
final class SaveItem
{
    private const PRICES = ['list_price' => 'list price', 'floor_price' => 'floor price', 'cost' => 'cost'];

    public function __construct(private readonly CostChanged $costs)
    {
    }

    /** @param  Till  $till where a change of the cost is posted */
    public function handle(?Item $item, ItemDraft $draft, Staff $by, Till $till): Item
    {
        return DB::transaction(function () use ($item, $draft, $by, $till): Item {
            $item = $item === null
                    ? new Item
                    : Item::query()
                        ->with(['breaks', 'promotions'])
                        ->lockForUpdate()
                        ->findOrFail($item->id);
            $before = $this->prices($item);
            $worth = self::worth($item);
            // What belongs to somebody else costs nothing until it is sold.
            $keepsCost = ! $draft->costTyped || $item->owner_id !== null;
            $item->fill($keepsCost ? array_diff_key($draft->fields, ['cost' => '']) : $draft->fields)->save();
            $item->breaks()->delete();
            $item->breaks()->createMany($draft->breaks);
            $item->promotions()->delete();
            $item->promotions()->createMany($draft->promotions);
            Belongings::keep($item, Belongings::named($draft->belongings, $item->code));
            Words::index([$item->id => $item->description]);
            $worth === [null, null]
                || $worth === self::worth($item)
                || $this->costs->for($item, $by, $till);
            $this->record($item, $before, $this->prices($item->load(['breaks', 'promotions'])), $by);

            return $item;
        });
    }

    /** @return array<string, string|null> every price of the item, by its name */
    private function prices(Item $item): array
    {
        if (! $item->exists) {
            return [];
        }

        $prices = [];

        foreach (self::PRICES as $field => $name) {
            $value = $item->getAttribute($field);
            $prices[$name] = $value instanceof UnitPrice ? $value->toString() : null;
        }

        foreach ($item->breaks as $break) {
            $prices['price from '.$break->from_quantity->toString()] = $break->price->toString();
        }

        foreach ($item->promotions as $promotion) {
            $prices[mb_substr("promotion {$promotion->name}", 0, 40)] = trim(
                $promotion->price->toString()
                    ." {$promotion->from_date?->format('Y-m-d')}–{$promotion->until_date?->format('Y-m-d')}",
                ' –',
            );
        }

        return $prices;
    }

    /**
     * @param  array<string, string|null>  $before
     * @param  array<string, string|null>  $after
     */
    private function record(Item $item, array $before, array $after, Staff $by): void
    {
        foreach (array_unique([...array_keys($before), ...array_keys($after)]) as $name) {
            if (($before[$name] ?? null) !== ($after[$name] ?? null)) {
                PriceChange::query()->create([
                    'item_id' => $item->id,
                    'staff_id' => $by->id,
                    'field' => $name,
                    'was' => $before[$name] ?? null,
                    'became' => $after[$name] ?? null,
                ]);
            }
        }
    }

    /** @return array{string|null, int|null} what a unit costs, and of how many that is; nulls: it is new */
    private static function worth(Item $item): array
    {
        return $item->exists ? [$item->cost->toString(), $item->price_per] : [null, null];
    }
}
