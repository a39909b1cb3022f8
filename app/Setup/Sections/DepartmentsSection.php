<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Books\Accounts;
use Elmstone\Catalogue\Department;
use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\RowsSection;
use Elmstone\Support\Database\Record;
use Override;

/**
 * Goods of a kind; each has an account for its sales.
 *
 * @extends RowsSection<Department>
 */
final class DepartmentsSection extends RowsSection
{
    #[Override]
    public function key(): string
    {
        return 'departments';
    }

    #[Override]
    public function title(): string
    {
        return 'Departments';
    }

    #[Override]
    public function purpose(): string
    {
        return 'What kinds of goods are sold. Each has an account of its own for its sales, whose number is the '
            .'accountant’s to set in the chart of accounts.';
    }

    #[Override]
    public function fields(): array
    {
        return [
            Field::text('code', 'Code', 10)->hint('small letters and digits')
                ->like('/^[a-z0-9][a-z0-9_-]*$/D', 'Small letters, digits and dashes.')->needed('A code of its own.'),
            Field::text('name', 'Name', 80)->needed('What is it called?'),
        ];
    }

    #[Override]
    protected function records(): iterable
    {
        return Department::query()->orderBy('name')->get();
    }

    #[Override]
    protected function known(): string
    {
        return 'code';
    }

    #[Override]
    protected function values(Record $record): array
    {
        return $record->only(['code', 'name']);
    }

    #[Override]
    protected function name(Record $record): string
    {
        return "{$record->code} {$record->name}";
    }

    #[Override]
    protected function write(?Record $record, array $values, string $at, Complaints $complaints): void
    {
        ($record ?? new Department)->fill($values)->save();
    }

    #[Override]
    protected function written(): void
    {
        Accounts::open();
    }
}
