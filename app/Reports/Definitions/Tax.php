<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Elmstone\Books\Figures\Posted;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\Links;
use Elmstone\Reports\OneReport;
use Elmstone\Reports\SoldLines;
use Elmstone\Shop\Location;
use Elmstone\Staff\Ability;
use Illuminate\Database\Query\Builder;
use stdClass;

/** Tax by component and place, with what it was reckoned on; what was exempt, and by which certificate. */
final class Tax extends OneReport
{
    protected const KEY = 'tax';

    protected const TITLE = 'Tax';

    protected const QUESTION = 'What tax is due, where, on what, and what was exempt?';

    protected const GROUP = 'Office';

    protected const ABILITY = Ability::SeeLedger;

    protected const BY = [
        'component' => 'component and place', 'rate' => 'component and rate', 'exempt' => 'what was exempt',
        'return' => 'a return’s worksheet',
    ];

    protected const FILTERS = [Filter::Location];

    public function figures(Asked $asked): array
    {
        return $asked->by === 'exempt'
            ? [Figure::money('net', 'Exempt, net'), Figure::count('documents', 'Documents')]
            : [
                Figure::money('tax', 'Tax'), Figure::money('base', 'Reckoned on')->unsummed(),
                ...$asked->by === 'return' ? [] : [
                    Figure::money('charged', 'On sales'), Figure::money('back', 'On returns'),
                    Figure::count('documents', 'Documents'),
                ],
            ];
    }

    public function entries(Asked $asked): array
    {
        return match ($asked->by) {
            'exempt' => $this->exempt($asked),
            'return' => $this->worksheet($asked),
            default => $this->components($asked),
        };
    }

    private function taxes(Asked $asked): Builder
    {
        return Posted::taxes()
            ->whereBetween('d.business_date', $asked->period->dates())
            ->whereIn('d.purpose', SoldLines::purposes())
            ->when($asked->location !== null, static fn (Builder $all) => $all
                ->where('d.location_id', $asked->location));
    }

    /** @return list<Entry> */
    private function components(Asked $asked): array
    {
        $isPlace = $asked->by === 'component';
        $places = Location::query()->pluck('name', 'id');
        $rows = $this->taxes($asked)
            ->groupBy('x.component', 'x.name', 'x.rate')
            ->when($isPlace, static fn (Builder $all) => $all->groupBy('d.location_id')->addSelect('d.location_id'))
            ->orderBy('x.component')
            ->selectRaw(
                'x.component, x.name, x.rate, SUM(x.base) AS base, SUM(x.amount) AS tax, '
                    .'SUM(IF(x.amount > 0, x.amount, 0)) AS charged, SUM(IF(x.amount < 0, x.amount, 0)) AS back, '
                    .'COUNT(*) AS documents',
            )
            ->get();

        return array_values($rows->map(static fn (stdClass $row): Entry => new Entry(
            "{$row->component} {$row->rate} ".($row->location_id ?? ''),
            "{$row->name} ".rtrim(rtrim((string) $row->rate, '0'), '.').' %'
                .($isPlace ? ', '.($places[$row->location_id] ?? '') : ''),
            [
                'tax' => (int) $row->tax, 'base' => (int) $row->base, 'charged' => (int) $row->charged,
                'back' => (int) $row->back, 'documents' => (int) $row->documents,
            ],
            Links::documents($asked, ['kind' => 'sales', 'location' => $isPlace ? (int) $row->location_id : null]),
        ))->all());
    }

    /** @return list<Entry> by the certificate on the document */
    private function exempt(Asked $asked): array
    {
        $signed = SoldLines::signed('net');
        $rows = SoldLines::lines($asked)
            ->whereNotNull('d.exemption')
            ->groupByRaw("d.customer_name, JSON_VALUE(d.exemption, '$.certificate')")
            ->orderByRaw("{$signed} DESC")
            ->selectRaw("d.customer_name, JSON_VALUE(d.exemption, '$.certificate') AS certificate, {$signed} AS net, "
                .'COUNT(DISTINCT d.id) AS documents')
            ->get();

        return array_values($rows->map(static fn (stdClass $row): Entry => new Entry(
            "{$row->customer_name} {$row->certificate}",
            ($row->customer_name === '' ? 'A passer-by' : (string) $row->customer_name)
                .($row->certificate === null || $row->certificate === '' ? '' : ", certificate {$row->certificate}"),
            ['net' => (int) $row->net, 'documents' => (int) $row->documents],
            Links::documents($asked, ['kind' => 'sales', 'customer' => (string) $row->customer_name]),
        ))->all());
    }

    /** @return list<Entry> what a return asks: all that was sold, what of it was exempt, what is taxed, the tax */
    private function worksheet(Asked $asked): array
    {
        $signed = SoldLines::signed('net');
        $sold = (int) SoldLines::lines($asked)->selectRaw("{$signed} AS net")->value('net');
        $exempt = (int) SoldLines::lines($asked)->whereNotNull('d.exemption')->selectRaw("{$signed} AS net")
            ->value('net');
        $taxed = new Asked($asked->period, 'component', location: $asked->location);
        $entries = [
            new Entry('sold', 'All sales, what came back taken off', ['base' => $sold, 'tax' => null]),
            new Entry('exempt', 'of these exempt by a certificate', ['base' => $exempt, 'tax' => null], isQuiet: true),
        ];

        foreach ($this->components($taxed) as $entry) {
            $entries[] = new Entry(
                $entry->key, $entry->label,
                ['base' => $entry->figures['base'], 'tax' => $entry->figures['tax']], $entry->link,
            );
        }

        return $entries;
    }
}
