<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Core\Money\Refused;
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
    public function handle(?Staff $staff, array $fields, #[\SensitiveParameter] ?string $pin): Staff
    {
        return DB::transaction(static function () use ($staff, $fields, $pin): Staff {
            $staff ??= new Staff;
            $staff->fill($pin === null ? $fields : [...$fields, 'pin_hash' => Hash::make($pin)])->save();

            if (! Staff::query()->where('role', Role::Owner)->where('active', true)->exists()) {
                throw Refused::because('last_owner', 'The shop needs an owner who can sign in.');
            }

            return $staff;
        });
    }
}
