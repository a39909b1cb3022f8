<?php

declare(strict_types=1);

namespace Elmstone\Staff;

/** What someone is to the shop; each role may do what the one before it may, and more. */
enum Role: string
{
    case Clerk = 'clerk';
    case Supervisor = 'supervisor';
    case Office = 'office';
    case Owner = 'owner';

    public function label(): string
    {
        return ucfirst($this->value);
    }

    public function may(Ability $ability): bool
    {
        return in_array($this, $ability->roles(), true);
    }
}
