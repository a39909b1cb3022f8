<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Elmstone\Books\Figures\SoldDays;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\Links;
use Elmstone\Reports\OneReport;
use Elmstone\Shop\Location;
use Elmstone\Staff\Ability;
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

    public function __construct(private readonly SoldDays $days)
    {
    }

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

    /** @return list<Entry> */
    private function components(Asked $asked): array
    {
        $isPlace = $asked->by === 'component';
        $places = Location::query()->pluck('name', 'id');
        $rows = $this->days->by('tax', $asked->period, $asked->location, $isPlace)->sortBy('place');

        return array_values($rows->map(static function (stdClass $row) use ($asked, $isPlace, $places): Entry {
            [$component, $rate, $name] = explode('|', (string) $row->place, 3);

            return new Entry(
                "{$component} {$rate} ".($isPlace ? $row->location_id : ''),
                "{$name} ".rtrim(rtrim($rate, '0'), '.').' %'
                    .($isPlace ? ', '.($places[$row->location_id] ?? '') : ''),
                [
                    'tax' => (int) $row->tax, 'base' => (int) $row->net, 'charged' => (int) $row->gross,
                    'back' => (int) $row->cost, 'documents' => (int) $row->sales,
                ],
                Links::documents($asked, ['kind' => 'sales', 'location' => $isPlace ? (int) $row->location_id : null]),
            );
        })->all());
    }

    /** @return list<Entry> by the certificate on the document */
    private function exempt(Asked $asked): array
    {
        $rows = $this->days->by('exempt', $asked->period, $asked->location)
            ->sortByDesc(static fn (stdClass $row): int => (int) $row->net);

        return array_values($rows->map(static function (stdClass $row) use ($asked): Entry {
            [$certificate, $customer] = explode('|', (string) $row->place, 2);

            return new Entry(
                (string) $row->place,
                ($customer === '' ? 'A passer-by' : $customer)
                    .($certificate === '' ? '' : ", certificate {$certificate}"),
                ['net' => (int) $row->net, 'documents' => (int) $row->sales + (int) $row->returns],
                Links::documents($asked, ['kind' => 'sales', 'customer' => $customer]),
            );
        })->all());
    }

    /** @return list<Entry> what a return asks: all that was sold, what of it was exempt, what is taxed, the tax */
    private function worksheet(Asked $asked): array
    {
        $net = fn (string $of): int => (int) $this->days->by($of, $asked->period, $asked->location)
            ->sum(static fn (stdClass $row): int => (int) $row->net);
        [$sold, $exempt] = [$net('day'), $net('exempt')];
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
