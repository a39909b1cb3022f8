<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Books\Accounts;
use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\Section;
use Elmstone\Setup\Taxes\KeepProfile;
use Elmstone\Setup\Taxes\TypedProfile;
use Elmstone\Shop\TaxClass;
use Elmstone\Shop\TaxComponentRecord;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Support\Show;
use Illuminate\Database\QueryException;
use Override;

/** Classes of goods, and for each place the taxes it has: which classes bear them, at which rate, from which day on. */
final class TaxesSection extends Section
{
    /** What goods are classed as where nothing else was typed. */
    private const CLASSES = [
        ['code' => 'standard', 'letter' => 'S', 'name' => 'Standard'],
        ['code' => 'reduced', 'letter' => 'R', 'name' => 'Reduced'],
        ['code' => 'zero', 'letter' => 'Z', 'name' => 'Zero-rated'],
    ];

    public function __construct(private readonly KeepProfile $profile)
    {
    }

    #[Override]
    public function key(): string
    {
        return 'taxes';
    }

    #[Override]
    public function title(): string
    {
        return 'Taxes';
    }

    #[Override]
    public function purpose(): string
    {
        return 'What goods are classed as, and what each place charges on each class. A rate changes on a day that is '
            .'set ahead; what was sold before keeps its tax.';
    }

    #[Override]
    public function now(): array
    {
        $classes = TaxClass::query()->orderBy('letter')->get(['code', 'letter', 'name'])->toArray();
        $profiles = [];

        foreach (TaxProfileRecord::query()->with('components')->orderBy('id')->get() as $profile) {
            $profiles[] = TypedProfile::of($profile);
        }

        return ['classes' => $classes === [] ? self::CLASSES : $classes, 'profiles' => $profiles];
    }

    #[Override]
    public function words(): array
    {
        $words = [];

        foreach (TaxClass::query()->orderBy('code')->get() as $class) {
            $words["Class {$class->code}"] = "{$class->letter} {$class->name}";
        }

        foreach (TaxProfileRecord::query()->with('components')->orderBy('id')->get() as $profile) {
            $words["Taxes {$profile->id}: name"] = $profile->name;

            foreach ($profile->components as $component) {
                $what = "{$profile->name}, {$component->name}";
                $words["{$what}: rate"] = Show::price($component->rate->value);
                $words["{$what}: on"] = implode(', ', $component->classes);
                $words["{$what}: on top of"] = implode(', ', $component->on_top_of);

                foreach ($component->rates as $rate) {
                    $words["{$what}: from {$rate->from_date->format('Y-m-d')}"] = $rate->rate === null ? 'not levied'
                        : Show::price($rate->rate->value);
                }
            }
        }

        return $words;
    }

    #[Override]
    public function summary(): string
    {
        $profiles = [];

        foreach (TaxProfileRecord::query()->with('components')->orderBy('id')->get() as $profile) {
            $taxes = $profile->components->map(
                static fn (TaxComponentRecord $tax): string => "{$tax->name} ".Show::price($tax->rate->value).' %',
            );
            $profiles[] = "{$profile->name}: {$taxes->implode(', ')}";
        }

        return implode(' · ', $profiles);
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        $this->classes(is_array($given['classes'] ?? null) ? $given['classes'] : self::CLASSES, $complaints);
        $profiles = is_array($given['profiles'] ?? null) ? array_values($given['profiles']) : [];
        $names = [];

        foreach ($profiles as $i => $profile) {
            $profile = is_array($profile) ? $profile : [];
            $name = is_string($profile['name'] ?? null) ? mb_strtolower(trim($profile['name'])) : '';

            if ($name !== '' && isset($names[$name])) {
                $complaints->say("profiles.{$i}.name", 'That is there already.');
            } else {
                $names[$name] = true;
                $this->profile->handle($profile, "profiles.{$i}", self::isOpen(), $complaints);
            }
        }

        $complaints->end();
        Accounts::open();
    }

    #[Override]
    public function isReady(): bool
    {
        return TaxProfileRecord::query()->exists();
    }

    #[Override]
    public function view(): string
    {
        return 'setup.taxes';
    }

    /** @param  array<mixed>  $rows */
    private function classes(array $rows, Complaints $complaints): void
    {
        $fields = [
            Field::text('code', 'Code', 20)->like('/^[a-z0-9][a-z0-9_-]*$/D', 'Small letters, digits and dashes.')
                ->needed('A code of its own.'),
            Field::text('letter', 'Letter', 1)->like('/^[A-Z]$/D', 'One capital letter.')->needed(
                'A letter to stand beside lines.',
            ),
            Field::text('name', 'Name', 60)->needed('What is it called?'),
        ];

        foreach (array_values($rows) as $i => $row) {
            $row = array_filter(
                is_array($row) ? $row : [],
                static fn (mixed $typed): bool => is_string($typed) && trim($typed) !== '',
            );
            $values = [];

            foreach ($row === [] ? [] : $fields as $field) {
                $values[$field->name] = $complaints->read(
                    "classes.{$i}.{$field->name}",
                    fn (): mixed => $field->read($row[$field->name] ?? '', $this->currency()),
                );
            }

            if ($values === [] || in_array(null, $values, true)) {
                continue;
            }

            try {
                TaxClass::query()->updateOrCreate(['code' => $values['code']], $values);
            } catch (QueryException $failure) {
                ($failure->errorInfo[1] ?? 0) === 1062 || throw $failure;
                $complaints->say("classes.{$i}.letter", 'Another class has this letter.');
            }
        }
    }
}
