<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Elmstone\Books\Figures\MarkedLines;
use Elmstone\Books\GoodsTo;
use Elmstone\Catalogue\Department;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\Links;
use Elmstone\Reports\OneReport;
use Elmstone\Reports\SoldLines;
use Elmstone\Returns\ReturnReason;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use stdClass;

/** What came back, why, and where the goods went. */
final class ReturnsByReason extends OneReport
{
    protected const KEY = 'returns';

    protected const TITLE = 'Returns';

    protected const QUESTION = 'What came back, why, and what became of the goods?';

    protected const GROUP = 'Sales';

    protected const ABILITY = Ability::SeeDay;

    protected const BY = [
        'reason' => 'reason', 'department' => 'department', 'item' => 'item', 'person' => 'who took it back',
        'goods' => 'what became of the goods',
    ];

    protected const FILTERS = [Filter::Location, Filter::Department, Filter::Person, Filter::Customer, Filter::Item];

    public function figures(Asked $asked): array
    {
        return [
            Figure::money('net', 'Net'), Figure::count('lines', 'Lines'), Figure::count('documents', 'Documents'),
            Figure::money('cost', 'Cost')->cost(),
        ];
    }

    public function entries(Asked $asked): array
    {
        $key = match ($asked->by) {
            'department' => 'COALESCE(l.department_id, 0)',
            'item' => 'l.code',
            'person' => 'd.staff_id',
            'goods' => "COALESCE(l.goods_to, '')",
            default => "COALESCE(l.reason, '')",
        };
        $rows = SoldLines::marked(MarkedLines::BACK, $asked)
            ->groupByRaw($key)
            ->orderByRaw('SUM(l.net) DESC')
            ->selectRaw("{$key} AS place, MAX(l.description) AS description, SUM(l.net) AS net, SUM(l.cost) AS cost, "
                .'COUNT(*) AS n, COUNT(DISTINCT d.id) AS documents')
            ->get();
        $names = match ($asked->by) {
            'department' => Department::query()->pluck('name', 'id'),
            'person' => Staff::query()->pluck('name', 'id'),
            default => collect(),
        };

        return array_values($rows->map(fn (stdClass $row): Entry => new Entry(
            (string) $row->place,
            $this->label($asked->by, $row, (string) ($names[$row->place] ?? '')),
            [
                'net' => (int) $row->net, 'cost' => (int) $row->cost, 'lines' => (int) $row->n,
                'documents' => (int) $row->documents,
            ],
            Links::documents($asked, [
                'kind' => 'credit_note', ...$asked->by === 'item' ? ['item' => (string) $row->place] : [],
                ...$asked->by === 'person' ? ['clerk' => (int) $row->place] : [],
            ]),
        ))->all());
    }

    private function label(string $by, stdClass $row, string $name): string
    {
        return match ($by) {
            'department' => $name === '' ? 'Fees and allowances' : $name,
            'person' => $name,
            'item' => "{$row->place} {$row->description}",
            'goods' => match (GoodsTo::tryFrom((string) $row->place)) {
                GoodsTo::Stock => 'Back into stock',
                GoodsTo::WrittenOff => 'Written off',
                GoodsTo::Supplier => 'Back to the supplier',
                default => 'No goods: money alone',
            },
            default => ReturnReason::tryFrom((string) $row->place)?->words() ?? 'No reason given',
        };
    }
}
