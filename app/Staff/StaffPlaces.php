<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Location;
use Elmstone\Shop\Settings;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Illuminate\Support\Facades\DB;

/**
 * Where somebody works, and as what there. Who has no place of their own works everywhere in their role; who has, signs
 * in there only, may there what that role may, and sees nothing of other places.
 */
final class StaffPlaces
{
    public const TABLE = 'staff_places';

    public function __construct(private readonly Settings $settings, private readonly AtTill $atTill)
    {
    }

    /** @return array<int, Role> by location; none: everywhere in their role */
    public function of(Staff $staff): array
    {
        $places = [];

        // An owner is one everywhere, whatever they were before.
        if ($staff->role === Role::Owner) {
            return [];
        }

        foreach ($this->settings->of(self::TABLE) as $row) {
            if ((int) $row['staff_id'] === $staff->id) {
                $places[(int) $row['location_id']] = Role::from((string) $row['role']);
            }
        }

        return $places;
    }

    /** What they are at the till this browser stands at; null: they do not work there. */
    public function here(Staff $staff): ?Role
    {
        $places = $this->of($staff);

        return $places === [] || ! $this->atTill->isChosen()
            ? $staff->role
            : $places[$this->atTill->till()->location_id] ?? null;
    }

    public function worksAt(Staff $staff, int $location): bool
    {
        $places = $this->of($staff);

        return $places === [] || isset($places[$location]);
    }

    /**
     * Sets where somebody works. What they are signed in with anywhere is over at once.
     *
     * @param  array<int, Role>  $places by location; none: everywhere in their role
     *
     * @throws Refused owner_everywhere, no_such_place
     */
    public function keep(Staff $staff, array $places, Staff $by): void
    {
        if ($places !== [] && ($staff->role === Role::Owner || in_array(Role::Owner, $places, true))) {
            throw Refused::because('owner_everywhere', 'An owner is owner everywhere.');
        }

        $names = Location::query()->whereIn('id', array_keys($places))->orderBy('id')->pluck('name', 'id')->all();
        count($names) === count($places) || throw Refused::because('no_such_place', 'There is no such location.');
        ksort($places);
        DB::transaction(function () use ($staff, $places, $names, $by): void {
            Staff::query()->whereKey($staff->id)->lockForUpdate()->firstOrFail();

            if ($this->stored($staff) === array_map(static fn (Role $role): string => $role->value, $places)) {
                return;
            }

            DB::table(self::TABLE)->where('staff_id', $staff->id)->delete();
            DB::table(self::TABLE)->insert(array_map(static fn (int $location, Role $role): array => [
                'staff_id' => $staff->id, 'location_id' => $location, 'role' => $role->value,
            ], array_keys($places), $places));
            $staff->endSessions();
            $words = array_map(
                static fn (int $location, Role $role): string => "{$role->label()} at {$names[$location]}",
                array_keys($places),
                $places,
            );
            SecurityLog::write(SecurityEvent::RoleChanged, $by, "{$staff->number} {$staff->name}, now "
                .($words === [] ? "{$staff->role->label()} everywhere" : implode(', ', $words)));
        });
        $this->settings->forget();
    }

    /** @return array<int, string> */
    private function stored(Staff $staff): array
    {
        return DB::table(self::TABLE)->where('staff_id', $staff->id)->orderBy('location_id')
            ->pluck('role', 'location_id')->map(static fn (mixed $role): string => (string) $role)->all();
    }
}
