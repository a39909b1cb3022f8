<?php

declare(strict_types=1);

namespace Elmstone\Setup\Taxes;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Setup\Complaints;
use Elmstone\Shop\TaxComponentRecord;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Shop\TaxRate;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;
use Illuminate\Support\Str;

/**
 * Keeps the taxes of a place. Until the shop opens they are simply set; from then on a rate changes on a day, today at
 * the earliest, and a tax that is added or ends does so on a day too.
 */
final class KeepProfile
{
    public const NOT_LEVIED = 'none';

    /** Before every business day there can be. */
    private const BEFORE_ALL = '1000-01-01';

    /** @param  array<mixed>  $typed */
    public function handle(array $typed, string $at, bool $isOpen, Complaints $complaints): void
    {
        $components = array_filter(
            is_array($typed['components'] ?? null) ? array_values($typed['components']) : [],
            static fn (mixed $row): bool => is_array($row) && self::word($row, 'name').self::word($row, 'rate') !== '',
        );
        $name = self::word($typed, 'name');

        if ($name === '' && $components === []) {
            return;
        }

        if ($name === '' || mb_strlen($name) > 120) {
            $complaints->say("{$at}.name", 'What are these taxes called? Up to 120 letters.');

            return;
        }

        $profile = $this->profile($typed, $name);
        $profile->fill(['name' => $name])->save();
        $codes = [];

        foreach ($components as $i => $row) {
            $codes[] = $this->component($profile, $row, $i, "{$at}.components.{$i}", $codes, $isOpen, $complaints);
        }
    }

    /** @param  array<mixed>  $typed */
    private function profile(array $typed, string $name): TaxProfileRecord
    {
        $id = self::word($typed, 'id');
        $profiles = TaxProfileRecord::query()->with('components');

        return ($id === '' ? $profiles->where('name', $name)->first() : $profiles->find($id)) ?? new TaxProfileRecord;
    }

    /**
     * @param  array<mixed>  $row
     * @param  list<string>  $before codes of those above it
     */
    private function component(
        TaxProfileRecord $profile,
        array $row,
        int $position,
        string $at,
        array $before,
        bool $isOpen,
        Complaints $complaints,
    ): string {
        $name = self::word($row, 'name');
        $known = $this->known($profile, $row, $name);
        $code = $known->code ?? mb_substr(self::word($row, 'code') ?: Str::slug($name, '_'), 0, 20);
        $rate = $complaints->read("{$at}.rate", fn (): ?Percentage => $this->rate(self::word($row, 'rate')));

        match (true) {
            $name === '' || mb_strlen($name) > 80 => $complaints->say("{$at}.name", 'What is it called on papers?'),
            $code === '' => $complaints->say("{$at}.name", 'Use letters or digits in it.'),
            in_array($code, $before, true) => $complaints->say("{$at}.name", 'That is there already.'),
            $rate === null && $known === null => $complaints->say("{$at}.rate", 'At which rate?'),
            default => null,
        };

        if ($name === '' || $code === '' || in_array($code, $before, true) || ($rate === null && $known === null)) {
            return $code;
        }

        $component = $known ?? new TaxComponentRecord([
            'tax_profile_id' => $profile->id, 'code' => $code, 'rate' => $rate, 'position' => $position + 1,
        ]);
        $onTop = self::word($row, 'on_top') !== '';
        $component->fill([
            'name' => $name,
            'classes' => array_values(array_filter((array) ($row['classes'] ?? []), is_string(...))),
            'on_top_of' => match (true) {
                ! $onTop => [],
                $known !== null && $known->on_top_of !== [] => $known->on_top_of,
                default => $before,
            },
        ]);
        $isOpen || $rate === null || $component->fill(['rate' => $rate]);
        $component->save();
        $this->changes($component, $known === null && $isOpen ? $rate : null, $row, $at, $isOpen, $complaints);

        return $code;
    }

    /**
     * @param  Percentage|null  $begins of one that is added while the shop is open: it begins with its first change
     * @param  array<mixed>  $row
     */
    private function changes(
        TaxComponentRecord $component,
        ?Percentage $begins,
        array $row,
        string $at,
        bool $isOpen,
        Complaints $complaints,
    ): void {
        $changes = is_array($row['changes'] ?? null) ? array_values($row['changes']) : [];

        if ($begins !== null) {
            $this->begin($component, $begins, $changes, $at, $complaints);

            return;
        }

        foreach ($changes as $i => $change) {
            $change = is_array($change) ? $change : [];
            $id = self::word($change, 'id');
            $kept = $id === '' ? null : $component->rates->firstWhere('id', (int) $id);

            if ($kept !== null) {
                self::word($change, 'remove') === '1' && $kept->from_date->greaterThan(ShopTime::today())
                    && $kept->delete();
            } elseif (self::word($change, 'rate').self::word($change, 'from') !== '') {
                $this->change($component, $change, "{$at}.changes.{$i}", $isOpen, $complaints);
            }
        }
    }

    /** @param  list<mixed>  $changes */
    private function begin(
        TaxComponentRecord $component,
        Percentage $rate,
        array $changes,
        string $at,
        Complaints $complaints,
    ): void {
        $first = is_array($changes[0] ?? null) ? $changes[0] : [];
        $from = $complaints->read("{$at}.changes.0.from", fn (): CarbonImmutable => self::day($first, true));

        if ($from !== null) {
            $component->rates()->create(['from_date' => self::BEFORE_ALL, 'rate' => null]);
            $component->rates()->create(['from_date' => $from, 'rate' => $rate]);
        }
    }

    /** @param  array<mixed>  $change */
    private function change(
        TaxComponentRecord $component,
        array $change,
        string $at,
        bool $isOpen,
        Complaints $complaints,
    ): void {
        $from = $complaints->read("{$at}.from", static fn (): CarbonImmutable => self::day($change, $isOpen));
        $typed = self::word($change, 'rate');
        $rate = $typed === self::NOT_LEVIED ? null
            : $complaints->read("{$at}.rate", fn (): ?Percentage => $this->rate($typed));

        if ($rate === null && $typed !== self::NOT_LEVIED) {
            $complaints->say("{$at}.rate", 'At which rate? Or: none.');

            return;
        }

        $from === null || TaxRate::query()->updateOrCreate(
            ['tax_component_id' => $component->id, 'from_date' => $from->format('Y-m-d')],
            ['rate' => $rate],
        );
    }

    /**
     * @param  array<mixed>  $row
     */
    private function known(TaxProfileRecord $profile, array $row, string $name): ?TaxComponentRecord
    {
        $id = self::word($row, 'id');
        $components = $profile->components()->get();

        return $id !== '' ? $components->firstWhere('id', (int) $id)
            : $components->firstWhere('code', self::word($row, 'code') ?: Str::slug($name, '_'));
    }

    /** @throws Refused bad_number, bad_percentage */
    private function rate(string $typed): ?Percentage
    {
        return $typed === '' ? null : Percentage::of(TypedNumber::plain($typed));
    }

    /**
     * @param  array<mixed>  $change
     *
     * @throws Refused bad_date, past_date
     */
    private static function day(array $change, bool $isOpen): CarbonImmutable
    {
        $typed = self::word($change, 'from');
        $day = TypedDate::of($typed);

        return match (true) {
            $day === null => throw Refused::because(
                'bad_date', 'From which day on? Write it as 2027-01-01.',
            ),
            $isOpen && $day->lessThan(ShopTime::today()) => throw Refused::because(
                'past_date', 'Days gone by keep their taxes: today at the earliest.',
            ),
            default => $day,
        };
    }

    /** @param  array<mixed>  $row */
    private static function word(array $row, string $field): string
    {
        $typed = $row[$field] ?? '';

        return match (true) {
            $typed === true => '1',
            is_string($typed), is_int($typed), is_float($typed) => trim((string) $typed),
            default => '',
        };
    }
}
