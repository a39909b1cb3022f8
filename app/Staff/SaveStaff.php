<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Takes someone on, or changes what they may do. The shop always keeps one owner who can sign in. */
final class SaveStaff
{
    /**
     * @param  array{number: string, name: string, role: string, active: bool}  $fields
     * @param  string|null  $pin null: as it was
     *
     * @throws Refused last_owner
     */
    public function handle(?Staff $staff, array $fields, #[\SensitiveParameter] ?string $pin, ?Staff $by = null): Staff
    {
        return DB::transaction(static function () use ($staff, $fields, $pin, $by): Staff {
            $isNew = $staff === null;
            $staff ??= new Staff(['epoch' => 0]);
            $staff->fill($pin === null ? $fields : [...$fields, 'pin_hash' => Hash::make($pin)]);
            $changes = self::changes($staff, $isNew, $pin !== null);
            // What anybody is signed in with as them is over at once.
            $isNew || $changes === [] || $staff->forceFill(['epoch' => $staff->epoch + 1]);
            $staff->save();

            foreach ($changes as [$what, $about]) {
                SecurityLog::write($what, $by, "{$staff->number} {$staff->name}{$about}");
            }

            if (! Staff::query()->where('role', Role::Owner)->where('active', true)->exists()) {
                throw Refused::because('last_owner', 'The shop needs an owner who can sign in.');
            }

            return $staff;
        });
    }

    /** @return list<array{SecurityEvent, string}> what is different now, for the log */
    private static function changes(Staff $staff, bool $isNew, bool $pin): array
    {
        $changes = [
            $isNew ? [SecurityEvent::TakenOn, ", {$staff->role->label()}"] : null,
            $pin && ! $isNew ? [SecurityEvent::PinChanged, ''] : null,
            ! $isNew && $staff->isDirty('role') ? [SecurityEvent::RoleChanged, ', now '.$staff->role->label()] : null,
            ! $isNew && $staff->isDirty('active')
                ? [$staff->active ? SecurityEvent::SwitchedOn : SecurityEvent::SwitchedOff, '']
                : null,
        ];

        return array_values(array_filter($changes, static fn (?array $change): bool => $change !== null));
    }
}
