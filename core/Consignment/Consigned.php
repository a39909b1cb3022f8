<?php

declare(strict_types=1);

namespace Elmstone\Core\Consignment;

/** That something belongs to an owner until it is sold, and what they have of it then. */
final readonly class Consigned
{
    public function __construct(public int $ownerId, public OwnerShare $share)
    {
    }
}
