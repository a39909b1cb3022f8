<?php

declare(strict_types=1);

namespace Elmstone\Reports\Pages;

use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Definition;
use Elmstone\Reports\Filter;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Sight;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\PeriodRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** A report as it is asked for. What it cannot be narrowed by is passed over. */
final class ReportRequest extends PeriodRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        $one = static fn (string $table): array => ['nullable', 'integer', "exists:{$table},id"];

        return [
            ...parent::rules(),
            'by' => ['nullable', 'string', 'max:20'],
            'compare' => ['nullable', Rule::in(['before', 'year'])],
            'location' => $one((new Location)->getTable()),
            'till' => $one((new Till)->getTable()),
            'department' => $one((new Department)->getTable()),
            'person' => $one((new Staff)->getTable()),
            'customer' => ['nullable', 'integer'],
            'item' => ['nullable', 'string', 'max:40'],
            'way' => ['nullable', Rule::enum(TenderKind::class)],
            'hours_from' => ['nullable', 'date_format:H:i'],
            'hours_until' => ['nullable', 'date_format:H:i', 'after:hours_from'],
            'sort' => ['nullable', 'string', 'max:20'],
            'name' => ['nullable', 'string', 'max:60'],
            'every' => ['nullable', Rule::in(['day', 'week', 'month'])],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'location.*' => 'There is no such location.',
            'till.*' => 'There is no such till.',
            'department.*' => 'There is no such department.',
            'person.*' => 'Nobody here is that.',
            'customer.*' => 'Type the number of a customer.',
            'hours_until.after' => 'It ends before it begins.',
            'hours_from.*' => 'Type a time as 09:00.',
            'hours_until.*' => 'Type a time as 17:30.',
            'compare.*' => 'It is set beside the time before, or the year before.',
        ];
    }

    /** @throws ValidationException */
    public function asked(Definition $definition): Asked
    {
        $by = $this->string('by')->value();
        $has = fn (Filter $filter): bool => in_array($filter, $definition->filters(), true)
            && $this->filled($filter->value);
        $int = fn (Filter $filter): ?int => $has($filter) ? $this->integer($filter->value) : null;

        return new Asked(
            $this->period(),
            isset($definition->by()[$by]) ? $by : (string) array_key_first($definition->by()),
            $this->string('compare')->value(),
            $this->location($int(Filter::Location)),
            $int(Filter::Till),
            $int(Filter::Department),
            $int(Filter::Person),
            $has(Filter::Customer) ? $this->customer() : null,
            $has(Filter::Item) ? $this->item() : null,
            $has(Filter::Way) ? TenderKind::from($this->string('way')->value()) : null,
            $this->hours($definition),
            $this->string('sort')->value(),
        );
    }

    /** Who sees only their own location, sees only that. */
    private function location(?int $asked): ?int
    {
        $person = $this->user();

        return $person instanceof Staff && ! app(Sight::class)->seesAll($person)
            ? app(AtTill::class)->till()->location_id
            : $asked;
    }

    private function customer(): int
    {
        $id = Customer::query()->where('number', $this->integer('customer'))->value('id');

        return is_int($id) ? $id : throw ValidationException::withMessages([
            'customer' => 'No customer has this number.',
        ]);
    }

    private function item(): int
    {
        $id = Item::query()->where('code', $this->string('item')->trim()->value())->value('id');

        return is_int($id) ? $id : throw ValidationException::withMessages(['item' => 'No item has this code.']);
    }

    /** @return array{string, string}|null */
    private function hours(Definition $definition): ?array
    {
        return in_array(Filter::Hours, $definition->filters(), true)
            && ($this->filled('hours_from') || $this->filled('hours_until'))
            ? [$this->string('hours_from', '00:00')->value(), $this->string('hours_until', '24:00')->value()]
            : null;
    }

    /** @return array<string, string> as an address asks for the same */
    public function kept(): array
    {
        $kept = [];

        foreach (
            [
                'by', 'compare', 'location', 'till', 'department', 'person', 'customer', 'item', 'way', 'hours_from',
                'hours_until', 'sort',
            ] as $name
        ) {
            $this->filled($name) && ($kept[$name] = $this->string($name)->value());
        }

        return $kept;
    }
}
