<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Books\Document;
use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\RowsSection;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Support\Database\Record;
use Override;

/**
 * Where people sell. One for training posts nothing.
 *
 * @extends RowsSection<Till>
 */
final class TillsSection extends RowsSection
{
    #[Override]
    public function key(): string
    {
        return 'tills';
    }

    #[Override]
    public function title(): string
    {
        return 'Tills';
    }

    #[Override]
    public function purpose(): string
    {
        return 'One for each desk where people sell; and one to practise at, where nothing is posted.';
    }

    #[Override]
    public function fields(): array
    {
        return [
            Field::number('number', 'Number', 1, 999),
            Field::text('name', 'Name', 60)->needed('What is it called?'),
            Field::choice('place', 'Place', $this->places())->needed('At which place?'),
            Field::tick('training', 'For training'),
            Field::tick('drawer_per_person', 'A drawer for each person'),
            Field::text('printer', 'Printer’s address')->hint('as 192.168.1.50:9100')
                ->like('/^[A-Za-z0-9.-]+:\d{2,5}$/D', 'A name or number, a colon and a port, as 192.168.1.50:9100.'),
            Field::choice('paper_mm', 'Paper', ['80' => '80 mm', '58' => '58 mm']),
        ];
    }

    #[Override]
    public function now(): array
    {
        $now = parent::now();
        $first = array_key_first(array_diff_key($this->places(), ['' => '']));

        return $now['tills'] !== [] || $first === null ? $now
            : ['tills' => [
                ['number' => '1', 'name' => 'Till 1', 'place' => $first, 'training' => '', 'drawer_per_person' => ''],
                [
                    'number' => '90', 'name' => 'Practice till', 'place' => $first, 'training' => '1',
                    'drawer_per_person' => '',
                ],
            ]];
    }

    #[Override]
    public function isReady(): bool
    {
        return Till::query()->where('training', false)->where('online', false)->exists();
    }

    #[Override]
    protected function records(): iterable
    {
        return Till::query()->where('online', false)->with('location')->orderBy('number')->get();
    }

    #[Override]
    protected function known(): string
    {
        return 'number';
    }

    #[Override]
    protected function values(Record $record): array
    {
        return [
            ...$record->only(['number', 'name', 'training', 'drawer_per_person', 'printer', 'paper_mm']),
            'place' => $record->location->code,
        ];
    }

    #[Override]
    protected function name(Record $record): string
    {
        return "{$record->number} {$record->name}";
    }

    /** What a till is changes only while nothing was done at it: afterwards it has pages that look at that first. */
    #[Override]
    protected function write(?Record $record, array $values, string $at, Complaints $complaints): void
    {
        $place = (int) Location::query()->where('code', $values['place'])->value('id');
        $isUsed = $record !== null && Document::query()->where('till_id', $record->id)->exists();
        $isUsed && $record->location_id !== $place && $complaints->say(
            "{$at}.place",
            "Sales of {$record->location->name} were rung up at it. Add another till there.",
        );

        if ($record !== null && self::isOpen()) {
            unset($values['training'], $values['drawer_per_person']);
        }

        $values['paper_mm'] ??= 80;
        unset($values['place']);
        ($record ?? new Till)->fill([...$values, 'location_id' => $place])->save();
    }

    /** @return array<string, string> */
    private function places(): array
    {
        $places = [];

        foreach (Location::query()->orderBy('id')->get() as $place) {
            $places[$place->code] = "{$place->code} {$place->town}";
        }

        return $places;
    }
}
