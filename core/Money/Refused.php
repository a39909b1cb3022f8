<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use DomainException;

/**
 * Something the rules do not allow: what is wrong, in words a clerk can act on, and a code a program can.
 */
class Refused extends DomainException
{
    /** @param  string  $rule short machine-readable code, such as "over_tendered" */
    final public function __construct(public readonly string $rule, string $message)
    {
        parent::__construct($message);
    }

    /** @param  string  $rule short machine-readable code, such as "over_tendered" */
    public static function because(string $rule, string $message): static
    {
        return new static($rule, $message);
    }
}
