<?php

declare(strict_types=1);

namespace Elmstone\Stock\Tables;

use Brick\Math\RoundingMode;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Stock\Incoming;
use Illuminate\Support\Facades\DB;

/** Reads rows of opening stock a thousand at a time, beside what has moved already. */
final class StockRows
{
    private const AT_ONCE = 1000;

    /** @var array<string, int> ids by code */
    private array $places = [];

    /** @var array<string, int> lines by place and item */
    private array $seen = [];

    public function __construct(private readonly House $house)
    {
    }

    /**
     * @param  iterable<int, array<string, string>>  $rows
     * @param  callable(int, Incoming|Refused, string, int): void  $take
     */
    public function each(iterable $rows, callable $take): void
    {
        $this->places = Location::query()->pluck('id', 'code')->all();
        $this->seen = [];
        $some = [];

        foreach ($rows as $line => $row) {
            $some[$line] = $row;

            if (count($some) === self::AT_ONCE) {
                $this->some($some, $take);
                $some = [];
            }
        }

        $this->some($some, $take);
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @param  callable(int, Incoming|Refused, string, int): void  $take
     */
    private function some(array $rows, callable $take): void
    {
        $items = Item::query()
            ->whereIn('code', array_values(array_map(static fn (array $row): string => $row['item'] ?? '', $rows)))
            ->get()
            ->keyBy(static fn (Item $item): string => mb_strtolower($item->code));
        $moved = DB::table('stock_movements')->whereIn('item_id', $items->pluck('id'))
            ->groupBy('item_id', 'location_id')->get(['item_id', 'location_id'])
            ->map(static fn (object $row): string => "{$row->item_id} {$row->location_id}")
            ->flip();

        foreach ($rows as $line => $row) {
            $place = $this->places[mb_strtoupper($row['place'] ?? '')] ?? 0;
            $name = trim(($row['place'] ?? '').' '.($row['item'] ?? ''));

            try {
                $item = $items->get(mb_strtolower($row['item'] ?? ''));
                $one = $this->one($line, $row, $item, $place, $moved->has("{$item?->id} {$place}"));
            } catch (Refused $refused) {
                $one = $refused;
            }

            $take($line, $one, $name, $place);
        }
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws Refused
     */
    private function one(int $line, array $row, ?Item $item, int $place, bool $hasMoved): Incoming
    {
        $place > 0 || throw Refused::because('no_place', 'There is no place of that code.');
        $item !== null || throw Refused::because('no_item', 'There is no item of that code.');
        $seen = $this->seen["{$item->id} {$place}"] ?? null;
        $seen === null || throw Refused::because('twice', "Line {$seen} has this item at this place already.");
        $this->seen["{$item->id} {$place}"] = $line;
        $hasMoved && throw Refused::because(
            'there_already',
            'It has been there already: stock is counted from now on.',
        );
        $item->owner_id === null || throw Refused::because(
            'consigned',
            'It belongs to its owner until it is sold: it is received from them.',
        );
        $quantity = Quantity::of(TypedNumber::plain($row['quantity'] ?? ''));
        $quantity->value->isPositive() || throw Refused::because('no_quantity', 'How many? More than none.');
        $cost = ($row['cost'] ?? '') === '' ? $item->cost : UnitPrice::of(TypedNumber::plain($row['cost']));
        $serials = Serials::read($row['serials'] ?? '');
        $item->has_serials && count($serials) !== $quantity->value->toScale(0, RoundingMode::UP)->toInt()
            && throw Refused::because('serials', 'Each of them has a serial number: type as many as there are.');

        return new Incoming(
            $item,
            $quantity,
            $cost->worth($quantity, $item->price_per, $this->house->currency()),
            $item->has_serials ? $serials : [],
        );
    }
}
