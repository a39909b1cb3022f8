<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Support\Database\Record;
use Illuminate\Auth\Authenticatable;
use Illuminate\Contracts\Auth\Access\Authorizable as MayDo;
use Illuminate\Contracts\Auth\Authenticatable as SignsIn;
use Illuminate\Foundation\Auth\Access\Authorizable;

/**
 * Someone who works here. They sign in by staff number and PIN.
 *
 * @property int $id
 * @property string $number
 * @property string $name
 * @property Role $role
 * @property string $pin_hash
 * @property bool $active
 * @property int $epoch counts what ended their sessions
 * @property string|null $last_slip the key of the slip they had on the counter last
 */
final class Staff extends Record implements MayDo, SignsIn
{
    use Authenticatable;
    use Authorizable;

    protected $table = 'staff';

    public $timestamps = true;

    protected $hidden = ['pin_hash'];

    protected $casts = [
        'role' => Role::class,
        'active' => 'bool',
    ];

    public function getAuthPasswordName(): string
    {
        return 'pin_hash';
    }

    /** There is no remembering: a till is shared. */
    public function getRememberTokenName(): string
    {
        return '';
    }

    /** Where they work at the counter, so that they come back to it when they sign in again. */
    public function worksOn(string $slip): void
    {
        $this->last_slip === $slip || $this->forceFill(['last_slip' => $slip])->save();
    }

    /** Whoever is signed in as them anywhere signs in again. */
    public function endSessions(): void
    {
        $this->forceFill(['epoch' => $this->epoch + 1])->save();
    }

    /** What they are where they stand; the least where they do not work. */
    public function roleHere(): Role
    {
        return app(StaffPlaces::class)->here($this) ?? Role::Clerk;
    }

    public function mayDo(Ability $ability): bool
    {
        $role = app(StaffPlaces::class)->here($this);

        return $role !== null && app(Rights::class)->may($role, $ability);
    }
}
