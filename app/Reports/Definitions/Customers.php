<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Carbon\CarbonImmutable;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerType;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\Links;
use Elmstone\Reports\OneReport;
use Elmstone\Reports\SoldSums;
use Elmstone\Support\Show;
use stdClass;

/** Who bought how much, what was earned by it, and when they were seen last. */
final class Customers extends OneReport
{
    protected const KEY = 'customers';

    protected const TITLE = 'Customers';

    protected const QUESTION = 'Who bought how much, and when were they seen last?';

    protected const BY = ['customer' => 'customer', 'type' => 'type of customer'];

    protected const FILTERS = [Filter::Location, Filter::Department, Filter::Person, Filter::Item];

    public function __construct(private readonly SoldSums $sums)
    {
    }

    public function figures(Asked $asked): array
    {
        return [
            Figure::money('net', 'Net'), Figure::count('sales', 'Sales'), Figure::money('margin', 'Margin')->cost(),
            Figure::marginPercent(), ...$asked->by === 'customer' ? [Figure::text('seen', 'Last seen')] : [],
        ];
    }

    public function entries(Asked $asked): array
    {
        $rows = $this->sums->by('customer', $asked)->filter(
            static fn (stdClass $row): bool => (string) $row->place !== '0',
        );
        $customers = Customer::query()->whereIn('id', $rows->pluck('place'))->get()->keyBy('id');
        $types = CustomerType::query()->pluck('name', 'id');
        $entries = [];

        foreach ($rows as $row) {
            $customer = $customers->get((int) $row->place);
            $isOne = $asked->by === 'customer';
            $key = $isOne ? (string) $row->place : (string) ($customer->customer_type_id ?? '');
            $had = $entries[$key]->figures ?? ['net' => 0, 'margin' => 0, 'sales' => 0];
            $entries[$key] = new Entry(
                $key,
                $isOne
                    ? "{$customer?->number} {$customer?->name}"
                    : (string) ($types[$customer->customer_type_id ?? 0] ?? 'No type'),
                [
                    'net' => $had['net'] + (int) $row->net,
                    'margin' => $had['margin'] + (int) $row->net - (int) $row->cost,
                    'sales' => $had['sales'] + (int) $row->sales,
                    'seen' => Show::date(CarbonImmutable::parse((string) $row->last)),
                ],
                $isOne ? Links::documents($asked, ['customer' => $customer?->name, 'kind' => 'sales']) : '',
            );
        }

        $entries = array_values($entries);
        usort($entries, static fn (Entry $one, Entry $other): int => $other->figures['net'] <=> $one->figures['net']);

        return $entries;
    }
}
