<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Figures\SoldDays;
use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\Links;
use Elmstone\Reports\OneReport;
use Elmstone\Reports\SoldLines;
use Elmstone\Reports\SoldSums;
use Elmstone\Shares\ShareRows;
use Elmstone\Shop\Location;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Collection;
use stdClass;

/** What was sold, what came back taken off: by day, hour, goods, customer, person, place or way of paying. */
final class Sales extends OneReport
{
    protected const KEY = 'sales';

    protected const TITLE = 'Sales';

    protected const QUESTION = 'What was sold, by day, hour, goods, customer, person, place or way of paying?';

    protected const GROUP = 'Sales';

    protected const ABILITY = Ability::SeeDay;

    protected const BY = [
        'day' => 'day', 'week' => 'week', 'month' => 'month', 'hour' => 'hour of the day',
        'weekday' => 'day of the week',
        'department' => 'department', 'item' => 'item', 'customer' => 'customer', 'person' => 'who sold it',
        'location' => 'location', 'tender' => 'way of paying',
    ];

    protected const FILTERS = [
        Filter::Location, Filter::Till, Filter::Department, Filter::Person, Filter::Customer, Filter::Item, Filter::Way,
        Filter::Hours,
    ];

    public function __construct(private readonly SoldSums $sums, private readonly SoldDays $days)
    {
    }

    public function figures(Asked $asked): array
    {
        return match ($asked->by) {
            'tender' => [Figure::money('amount', 'Paid'), Figure::count('sales', 'Documents')],
            'person' => [
                Figure::money('net', 'Net'), Figure::count('sales', 'Documents'),
                Figure::money('commission', 'Commission')->cost(),
            ],
            default => [
                Figure::money('net', 'Net'),
                Figure::count('sales', 'Sales'),
                Figure::count('returns', 'Returns'),
                Figure::money('gross', 'Before discounts'),
                Figure::money('off', 'Discounts'),
                Figure::money('tax', 'Tax'),
                Figure::money('cost', 'Cost')->cost(),
                Figure::money('margin', 'Margin')->cost(),
                Figure::marginPercent(),
            ],
        };
    }

    public function entries(Asked $asked): array
    {
        return match ($asked->by) {
            'tender' => $this->byTender($asked),
            'person' => $this->byPerson($asked),
            default => $this->byLines($asked),
        };
    }

    /** @return list<Entry> */
    private function byLines(Asked $asked): array
    {
        $rows = $this->sums->by($asked->by, $asked);
        $names = $this->names($asked->by, array_values(array_map(strval(...), $rows->pluck('place')->all())));

        return array_values($rows->map(fn (stdClass $row): Entry => new Entry(
            (string) $row->place,
            $names[(string) $row->place] ?? $this->label($asked->by, (string) $row->place),
            [
                'place' => $this->place($asked, (string) $row->place),
                'net' => (int) $row->net,
                'gross' => (int) $row->gross,
                'off' => (int) $row->gross - (int) $row->net,
                'tax' => (int) $row->tax,
                'cost' => (int) $row->cost,
                'margin' => (int) $row->net - (int) $row->cost,
                'sales' => (int) $row->sales,
                'returns' => (int) $row->returns,
            ],
            $this->link($asked, (string) $row->place, $names[(string) $row->place] ?? ''),
        ))->all());
    }

    /** How far into the period it is, so that it stands beside the same of another: a Monday, a first week. */
    private function place(Asked $asked, string $place): string
    {
        $from = $asked->period->from;

        return (string) match ($asked->by) {
            'day' => (int) $from->diffInDays(CarbonImmutable::parse($place)),
            'week' => (int) $from->startOfWeek()->diffInWeeks(CarbonImmutable::parse($place)),
            'month' => (int) $from->startOfMonth()->diffInMonths(CarbonImmutable::parse("{$place}-01")),
            default => $place,
        };
    }

    /**
     * @param  list<string>  $places
     * @return array<string, string> names by place
     */
    private function names(string $by, array $places): array
    {
        $named = match ($by) {
            'department' => Department::query()->pluck('name', 'id')->all(),
            'location' => Location::query()->pluck('name', 'id')->all(),
            'customer' => Customer::query()->whereIn('id', $places)->pluck('name', 'id')->all(),
            'item' => Item::query()->whereIn('id', array_filter($places, is_numeric(...)))->get()
                ->mapWithKeys(static fn (Item $item): array => [$item->id => "{$item->code} {$item->description}"])
                ->all(),
            default => [],
        };

        return array_map(static fn (mixed $name): string => is_string($name) ? $name : '', $named);
    }

    private function label(string $by, string $place): string
    {
        return match ($by) {
            'day' => CarbonImmutable::parse($place)->format('D j M Y'),
            'week' => 'Week from '.Show::date(CarbonImmutable::parse($place)),
            'month' => CarbonImmutable::parse("{$place}-01")->format('F Y'),
            'hour' => sprintf('%02d:00 – %02d:00', (int) $place, (int) $place + 1),
            'weekday' => CarbonImmutable::parse('2027-01-04')->addDays((int) $place)->format('l'),
            'department' => 'Fees and freight',
            'customer' => 'Passers-by',
            'item' => 'Not in the list: '.ltrim($place, '='),
            default => $place,
        };
    }

    private function link(Asked $asked, string $place, string $name): string
    {
        $day = static fn (string $from, string $until): array => ['from' => $from, 'until' => $until];
        $more = match ($asked->by) {
            'day' => $day($place, $place),
            'week' => $day($place, CarbonImmutable::parse($place)->addDays(6)->format('Y-m-d')),
            'month' => $day("{$place}-01", CarbonImmutable::parse("{$place}-01")->endOfMonth()->format('Y-m-d')),
            'location' => ['location' => (int) $place],
            'item' => ['item' => str_starts_with($place, '=') ? ltrim($place, '=') : explode(' ', $name, 2)[0]],
            'customer' => ['customer' => $place === '0' ? '' : $name],
            default => [],
        };

        return Links::documents($asked, [...$more, 'kind' => 'sales']);
    }

    /** @return list<Entry> what documents of sales were settled by, what went back taken off */
    private function byTender(Asked $asked): array
    {
        $rows = $asked->isNarrow()
            ? self::tenders($asked)
            : $this->days->by('tender', $asked->period, $asked->location);

        return array_values($rows->map(static fn (stdClass $row): Entry => new Entry(
            (string) $row->place,
            TenderKind::from((string) $row->place)->label(),
            ['amount' => (int) $row->net, 'sales' => (int) $row->sales],
            Links::documents($asked, ['tender' => (string) $row->place, 'kind' => 'sales']),
        ))->all());
    }

    /** @return Collection<int, stdClass> place, net, sales */
    private static function tenders(Asked $asked): Collection
    {
        return Posted::withTenders(SoldLines::documents($asked))
            ->groupBy('t.kind')
            ->orderBy('t.kind')
            ->selectRaw(
                't.kind AS place, SUM(IF(d.total < 0, -t.amount, t.amount)) AS net, COUNT(DISTINCT d.id) AS sales',
            )
            ->get();
    }

    /** @return list<Entry> by the shares of who sold it; what is nobody's last */
    private function byPerson(Asked $asked): array
    {
        $all = $this->sums->net($asked);
        $rows = $asked->isNarrow() || $asked->location !== null
            ? ShareRows::joined(SoldLines::lines($asked))
                ->groupBy('s.staff_id')
                ->selectRaw('s.staff_id, SUM(s.net) AS net, SUM(s.commission) AS commission, '
                    .'COUNT(DISTINCT s.document_id) AS sales')
                ->get()
            : ShareRows::within($asked->period)->get();
        $people = Staff::query()->get()->keyBy('id');
        $entries = array_values($rows->map(static fn (stdClass $row): Entry => new Entry(
            (string) $row->staff_id,
            $people->get((int) $row->staff_id)->name ?? '',
            [
                'net' => (int) $row->net, 'commission' => (int) $row->commission, 'sales' => (int) $row->sales,
            ],
            route('shares.show', ['staff' => (int) $row->staff_id, ...$asked->period->query()]),
        ))->all());
        $rest = $all - array_sum(array_column(array_column($entries, 'figures'), 'net'));
        usort($entries, static fn (Entry $one, Entry $other): int => $other->figures['net'] <=> $one->figures['net']);
        $rest === 0 || ($entries[] = new Entry(
            'nobody', 'Nobody’s: fees, freight, back without a receipt',
            ['net' => $rest, 'commission' => 0, 'sales' => 0], isQuiet: true,
        ));

        return $entries;
    }
}
