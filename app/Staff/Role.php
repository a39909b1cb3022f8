<?php

declare(strict_types=1);

namespace Elmstone\Staff;

/**
 * What someone is to the shop. What each may do is set by the shop (Rights); as it ships, each may do more than
 * the last.
 */
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
}
