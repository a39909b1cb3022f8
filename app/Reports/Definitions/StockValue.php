<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Item;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\OneReport;
use Elmstone\Shop\Location;
use Elmstone\Staff\Ability;
use Elmstone\Stock\Movements;
use stdClass;

/** What stock was worth before a time, what came, left and was written off, and what it is worth at the end. */
final class StockValue extends OneReport
{
    protected const KEY = 'stock-value';

    protected const TITLE = 'Stock value and what moved';

    protected const QUESTION = 'What is stock worth on any day, and what came, was sold and was lost?';

    protected const GROUP = 'Goods';

    protected const ABILITY = Ability::SeeMargin;

    protected const BY = ['department' => 'department', 'item' => 'item', 'location' => 'location'];

    protected const FILTERS = [Filter::Location, Filter::Department, Filter::Item];

    protected const COMPARES = false;

    public function __construct(private readonly LedgerDays $days)
    {
    }

    public function figures(Asked $asked): array
    {
        return [
            Figure::money('closing', 'Worth at the end'), Figure::money('opening', 'Before'),
            Figure::money('in', 'Came in'), Figure::money('sold', 'Sold'), Figure::money('returned', 'Came back'),
            Figure::money('lost', 'Written off'), Figure::money('other', 'Transfers and revaluation'),
            ...$asked->by === 'item' ? [Figure::quantity('quantity', 'On hand then')->unsummed()] : [],
        ];
    }

    public function entries(Asked $asked): array
    {
        $key = match ($asked->by) {
            'item' => 'm.item_id',
            'location' => 'm.location_id',
            default => 'i.department_id',
        };
        [$from, $until] = $asked->period->dates();
        $in = static fn (string $which): string => "SUM(IF(m.business_date >= '{$from}' AND {$which}, m.value, 0))";
        $rows = Movements::withItems()
            ->where('m.business_date', '<=', $until)
            ->when($asked->location !== null, static fn ($all) => $all->where('m.location_id', $asked->location))
            ->when($asked->department !== null, static fn ($all) => $all->where('i.department_id', $asked->department))
            ->when($asked->item !== null, static fn ($all) => $all->where('m.item_id', $asked->item))
            ->groupByRaw($key)
            ->orderByRaw('SUM(m.value) DESC')
            ->selectRaw(
                "{$key} AS place, SUM(m.value) AS closing, SUM(m.quantity) AS quantity, "
                    ."SUM(IF(m.business_date < '{$from}', m.value, 0)) AS opening, "
                    ."{$in("m.why = 'sale'")} AS sold, {$in("m.why = 'return'")} AS returned, "
                    ."{$in("m.why = 'write_off'")} AS lost, "
                    ."{$in("m.why IN ('delivery', 'opening')")} AS came",
            )
            ->get();
        $names = match ($asked->by) {
            'item' => Item::query()->whereIn('id', $rows->pluck('place'))->get()
                ->mapWithKeys(static fn (Item $item): array => [$item->id => "{$item->code} {$item->description}"]),
            'location' => Location::query()->pluck('name', 'id'),
            default => Department::query()->pluck('name', 'id'),
        };
        $codes = $asked->by === 'item'
            ? Item::query()->whereIn('id', $rows->pluck('place'))->pluck('code', 'id')
            : collect();

        return [
            ...array_values($rows->map(static fn (stdClass $row): Entry => new Entry(
                (string) $row->place,
                (string) ($names[$row->place] ?? ''),
                [
                    'closing' => (int) $row->closing, 'opening' => (int) $row->opening, 'in' => (int) $row->came,
                    'sold' => (int) $row->sold, 'returned' => (int) $row->returned, 'lost' => (int) $row->lost,
                    'other' => (int) $row->closing - (int) $row->opening - (int) $row->came - (int) $row->sold
                        - (int) $row->returned - (int) $row->lost,
                    'quantity' => (string) $row->quantity,
                ],
                isset($codes[$row->place]) ? route('items.show', $codes[$row->place]) : '',
            ))->all()),
        ];
    }

    /** What the inventory account stood at. */
    public function account(Asked $asked): int
    {
        [$debit, $credit] = $this->days->between(null, $asked->period->until, $asked->location)[Accounts::INVENTORY]
            ?? [0, 0];

        return $debit - $credit;
    }
}
