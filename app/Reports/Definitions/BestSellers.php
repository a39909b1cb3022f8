<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\Links;
use Elmstone\Reports\OneReport;
use Elmstone\Reports\SoldSums;
use Elmstone\Shop\House;
use Elmstone\Stock\Movements;
use Illuminate\Support\Collection;
use stdClass;

/** What sells best, and what lies there and does not. */
final class BestSellers extends OneReport
{
    private const MOST = 500;

    protected const KEY = 'sellers';

    protected const TITLE = 'Best and slow sellers';

    protected const QUESTION = 'What sells best, and what lies on the shelf and does not?';

    protected const GROUP = 'Goods';

    protected const BY = ['best' => 'the best', 'slow' => 'not sold, though there is some'];

    protected const FILTERS = [Filter::Location, Filter::Department, Filter::Customer, Filter::Person];

    public function __construct(private readonly House $house, private readonly SoldSums $sums)
    {
    }

    public function figures(Asked $asked): array
    {
        return $asked->by === 'slow'
            ? [
                Figure::money('worth', 'Worth at cost')->cost(), Figure::quantity('on_hand', 'On hand')->unsummed(),
                Figure::text('days', 'Days since sold'),
            ]
            : [
                Figure::money('net', 'Net'), Figure::quantity('quantity', 'Quantity')->unsummed(),
                Figure::money('margin', 'Margin')->cost(), Figure::marginPercent(),
                Figure::quantity('on_hand', 'On hand')->unsummed(), Figure::text('cover', 'Days of cover'),
                Figure::text('days', 'Days since sold'),
            ];
    }

    public function entries(Asked $asked): array
    {
        return $asked->by === 'slow' ? $this->slow($asked) : $this->best($asked);
    }

    /** @return Collection<int, stdClass> of goods in the list: by id as place, what was sold */
    private function sold(Asked $asked): Collection
    {
        return $this->sums->by('item', $asked)->filter(
            static fn (stdClass $row): bool => ! str_starts_with((string) $row->place, '='),
        );
    }

    /** @return list<Entry> */
    private function best(Asked $asked): array
    {
        $rows = $this->sold($asked)
            ->sortByDesc(static fn (stdClass $row): int => (int) $row->net)
            ->take(self::MOST);
        $items = Item::query()->whereIn('id', $rows->pluck('place'))->get()->keyBy('id');
        $last = Movements::lastSold($rows->pluck('place'));
        $onHand = $this->onHand($rows->pluck('place'), $asked->location);
        $days = $asked->period->days();
        $entries = [];

        foreach ($rows as $row) {
            $item = $items->get((int) $row->place);
            $has = $onHand[(int) $row->place] ?? '0';
            $sold = (string) $row->quantity;
            $entries[] = new Entry((string) $row->place, "{$item?->code} {$item?->description}", [
                'net' => (int) $row->net,
                'margin' => (int) $row->net - (int) $row->cost,
                'quantity' => $sold,
                'on_hand' => $has,
                'cover' => (float) $sold > 0 ? (string) (int) floor((float) $has * $days / (float) $sold) : '',
                'days' => $this->since($last[(int) $row->place] ?? null, $asked),
            ], Links::documents($asked, ['item' => $item?->code]));
        }

        return $entries;
    }

    /** @return list<Entry> */
    private function slow(Asked $asked): array
    {
        $sold = $this->sold($asked)->pluck('place');
        $items = Item::query()
            ->where('active', true)
            ->whereNotIn('id', $sold)
            ->when($asked->department !== null, static fn ($all) => $all->where('department_id', $asked->department))
            ->get()
            ->keyBy('id');
        $onHand = $this->onHand($items->keys(), $asked->location);
        $last = Movements::lastSold($items->keys());
        $entries = [];

        foreach ($onHand as $id => $has) {
            $item = $items->get($id);

            if ($item !== null && (float) $has > 0) {
                $entries[] = new Entry((string) $id, "{$item->code} {$item->description}", [
                    'worth' => $this->worth($item, $has),
                    'on_hand' => $has,
                    'days' => $this->since($last[$id] ?? null, $asked),
                ], route('items.show', $item));
            }
        }

        usort(
            $entries,
            static fn (Entry $one, Entry $other): int => $other->figures['worth'] <=> $one->figures['worth'],
        );

        return array_slice($entries, 0, self::MOST);
    }

    /** In minor units, at the average cost. */
    private function worth(Item $item, string $onHand): int
    {
        return BigRational::of($item->cost->value)
            ->multipliedBy($onHand)
            ->dividedBy($item->price_per)
            ->multipliedBy(10 ** $this->house->currency()->places)
            ->toScale(0, RoundingMode::HALF_UP)
            ->toInt();
    }

    private function since(?string $day, Asked $asked): string
    {
        return $day === null
            ? 'never sold'
            : (string) max(0, (int) CarbonImmutable::parse($day)->diffInDays($asked->period->until));
    }

    /**
     * @param  Collection<int, mixed>  $items
     * @return array<int, string> by item
     */
    private function onHand(Collection $items, ?int $location): array
    {
        $found = [];

        foreach (
            Stock::query()->toBase()->whereIn('item_id', $items)
                ->when($location !== null, static fn ($all) => $all->where('location_id', $location))
                ->groupBy('item_id')->selectRaw('item_id, SUM(on_hand) AS n')->get() as $row
        ) {
            $found[(int) $row->item_id] = (string) $row->n;
        }

        return $found;
    }
}
