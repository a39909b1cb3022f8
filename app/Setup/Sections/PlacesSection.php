<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\RowsSection;
use Elmstone\Shop\Location;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Support\Database\Record;
use Elmstone\Support\ShopTime;
use Override;

/**
 * Shops and yards, each with its own stock, tills and taxes.
 *
 * @extends RowsSection<Location>
 */
final class PlacesSection extends RowsSection
{
    #[Override]
    public function key(): string
    {
        return 'places';
    }

    #[Override]
    public function title(): string
    {
        return 'Places';
    }

    #[Override]
    public function purpose(): string
    {
        return 'Every shop and yard with stock of its own. What is sold there is taxed as the place is.';
    }

    #[Override]
    public function fields(): array
    {
        return [
            Field::text('code', 'Code', 4)->hint('one to four capital letters or digits')
                ->like('/^[A-Z0-9]{1,4}$/D', 'One to four capital letters or digits.')->needed('A code of its own.'),
            Field::text('name', 'Name')->needed('What is it called?'),
            Field::text('street', 'Street'),
            Field::text('town', 'Town')->needed('Which town?'),
            Field::text('phone', 'Telephone'),
            Field::choice('taxes', 'Taxes', $this->profiles())->needed('Which taxes are charged there?'),
        ];
    }

    #[Override]
    protected function records(): iterable
    {
        return Location::query()->orderBy('id')->with('taxProfile')->get();
    }

    #[Override]
    protected function known(): string
    {
        return 'code';
    }

    #[Override]
    protected function values(Record $record): array
    {
        return [...$record->only(['code', 'name', 'street', 'town', 'phone']), 'taxes' => $record->taxProfile->name];
    }

    #[Override]
    protected function name(Record $record): string
    {
        return "{$record->code} {$record->name}";
    }

    #[Override]
    protected function write(?Record $record, array $values, string $at, Complaints $complaints): void
    {
        $profile = TaxProfileRecord::query()->where('name', $values['taxes'])->value('id');
        unset($values['taxes']);
        // Of a new place the first open day is today.
        $record ??= new Location(['closed_through' => ShopTime::today()->subDay()]);
        $record->fill([...$values, 'tax_profile_id' => $profile])->save();
    }

    /** @return array<string, string> */
    private function profiles(): array
    {
        $names = TaxProfileRecord::query()->orderBy('id')->pluck('name', 'name')->all();

        return array_map(static fn (mixed $name): string => is_string($name) ? $name : '', $names);
    }
}
