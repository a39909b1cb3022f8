<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Department;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** All rates that were ever set, as a page shows them. */
final class RateList
{
    /**
     * @return list<array{id: int, whose: string, rate: string, of: string, from: CarbonImmutable,
     *     until: CarbonImmutable|null, holds: bool}> the newest of each first
     */
    public static function all(CarbonImmutable $today): array
    {
        $people = Staff::query()->pluck('name', 'id');
        $departments = self::departments();

        return array_values(
            DB::table('commission_rates')
                ->orderByRaw('staff_id IS NOT NULL, department_id IS NOT NULL, staff_id, department_id')
                ->orderByDesc('from')
                ->get()
                ->map(static fn (object $row): array => [
                    'id' => (int) $row->id,
                    'whose' => match (true) {
                        $row->staff_id !== null => (string) $people[$row->staff_id],
                        $row->department_id !== null => 'Goods: '.$departments[(int) $row->department_id],
                        default => 'The house',
                    },
                    'rate' => (string) $row->rate,
                    'of' => (string) $row->rate_of,
                    'from' => CarbonImmutable::parse((string) $row->from),
                    'until' => $row->until === null ? null : CarbonImmutable::parse((string) $row->until),
                    'holds' => (string) $row->from <= $today->format('Y-m-d')
                        && ($row->until === null || (string) $row->until >= $today->format('Y-m-d')),
                ])
                ->all(),
        );
    }

    /** @return array<int, string> names by id */
    public static function departments(): array
    {
        return Department::query()->orderBy('name')->pluck('name', 'id')
            ->map(static fn (mixed $name): string => is_string($name) ? $name : '')->all();
    }

    public static function whose(mixed $person, mixed $department): string
    {
        return match (true) {
            $person !== null => (string) Staff::query()->whereKey($person)->value('name'),
            $department !== null => 'department '.(self::departments()[(int) $department] ?? ''),
            default => 'the house',
        };
    }
}
