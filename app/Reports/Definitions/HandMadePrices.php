<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\MarkedLines;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\OneReport;
use Elmstone\Reports\SoldLines;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\Approval;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use stdClass;

/** Discounts that were given and prices that were typed, by whom and why; what was sold below cost. */
final class HandMadePrices extends OneReport
{
    private const MOST = 2000;

    protected const KEY = 'prices-by-hand';

    protected const TITLE = 'Discounts and prices by hand';

    protected const QUESTION = 'Who gave what away, of which price, why, and who allowed it?';

    protected const GROUP = 'What needs eyes';

    protected const ABILITY = Ability::SeeMargin;

    protected const BY = ['person' => 'person', 'line' => 'line by line', 'below' => 'below cost or the lowest price'];

    protected const FILTERS = [Filter::Location, Filter::Department, Filter::Person, Filter::Customer, Filter::Item];

    public function __construct(private readonly House $house)
    {
    }

    public function figures(Asked $asked): array
    {
        return $asked->by === 'person'
            ? [
                Figure::money('away', 'Given away'), Figure::money('off', 'Discounts'),
                Figure::money('typed', 'Typed below list'), Figure::count('lines', 'Lines'),
            ]
            : [
                Figure::money('away', 'Given away'), Figure::text('document', 'Document'),
                Figure::text('who', 'Who'), Figure::text('price', 'Price, list'), Figure::money('net', 'Net'),
                Figure::money('margin', 'Margin')->cost(), Figure::text('allowed', 'Allowed by, because'),
            ];
    }

    public function entries(Asked $asked): array
    {
        return $asked->by === 'person' ? $this->byPerson($asked) : $this->byLine($asked);
    }

    /** What a typed price is below the list, of the whole line. */
    private function typed(): string
    {
        $minor = 10 ** $this->house->currency()->places;

        return 'IF(l.price_rule = \''.PriceRule::Typed->value.'\', '
            .'CAST(ROUND((l.list_price - l.unit_price) * l.quantity / l.price_per * '.$minor.') AS SIGNED), 0)';
    }

    /** @return list<Entry> */
    private function byPerson(Asked $asked): array
    {
        $typed = $this->typed();
        $rows = $this->lines($asked)
            ->groupBy('d.staff_id')
            ->selectRaw(
                "d.staff_id, SUM(l.line_discount + l.slip_discount) AS off, SUM({$typed}) AS typed, COUNT(*) AS n",
            )
            ->get();
        $people = Staff::query()->pluck('name', 'id');
        $entries = array_values($rows->map(static fn (stdClass $row): Entry => new Entry(
            (string) $row->staff_id,
            (string) ($people[$row->staff_id] ?? ''),
            [
                'away' => (int) $row->off + (int) $row->typed, 'off' => (int) $row->off, 'typed' => (int) $row->typed,
                'lines' => (int) $row->n,
            ],
            route('reports.show', ['report' => 'prices-by-hand', 'by' => 'line', 'person' => (int) $row->staff_id,
                ...$asked->period->query()]),
        ))->all());
        usort($entries, static fn (Entry $one, Entry $other): int => $other->figures['away'] <=> $one->figures['away']);

        return $entries;
    }

    /** @return list<Entry> */
    private function byLine(Asked $asked): array
    {
        $typed = $this->typed();
        $rows = $this->lines($asked)
            ->orderBy('d.business_date')
            ->orderBy('d.id')
            ->orderBy('l.position')
            ->limit(self::MOST)
            ->selectRaw(
                'd.label, d.business_date, d.staff_id, l.position, l.description, l.unit_price, l.list_price, l.net, '
                    ."l.cost, l.line_discount + l.slip_discount AS off, {$typed} AS typed, l.approval_id",
            )
            ->get();
        $people = Staff::query()->pluck('name', 'id');
        $allowed = $this->allowed($rows->pluck('approval_id'));

        return array_values($rows->map(static fn (stdClass $row): Entry => new Entry(
            "{$row->label}:{$row->position}",
            (string) $row->description,
            [
                'away' => (int) $row->off + (int) $row->typed,
                'document' => "{$row->label}, ".Show::date(CarbonImmutable::parse((string) $row->business_date)),
                'who' => (string) ($people[$row->staff_id] ?? ''),
                'price' => Show::price((string) $row->unit_price).', '.Show::price((string) $row->list_price),
                'net' => (int) $row->net,
                'margin' => (int) $row->net - (int) $row->cost,
                'allowed' => $allowed[(int) $row->approval_id] ?? '',
            ],
            route('documents.show', (string) $row->label),
        ))->all());
    }

    private function lines(Asked $asked): Builder
    {
        return SoldLines::marked(
            $asked->by === 'below' ? MarkedLines::BELOW : MarkedLines::BY_HAND,
            $asked,
            $asked->by === 'person' ? null : self::MOST,
        );
    }

    /**
     * @param  Collection<int, mixed>  $ids
     * @return array<int, string>
     */
    private function allowed(Collection $ids): array
    {
        return Approval::query()->with('approver')->whereIn('id', $ids->whereNotNull())->get()
            ->mapWithKeys(static fn (Approval $one): array => [$one->id => "{$one->approver->name}: {$one->reason}"])
            ->all();
    }
}
