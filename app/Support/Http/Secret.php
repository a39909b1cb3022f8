<?php

declare(strict_types=1);

namespace Elmstone\Support\Http;

/** Fields of forms that never stand in a session. */
final class Secret
{
    public const FIELDS = ['pin', 'approver_pin'];
}
