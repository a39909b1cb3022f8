<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

/** What is held for one customer, in minor units. */
final readonly class HeldFor
{
    public function __construct(public int $number, public string $name, public int $deposits, public int $layaways)
    {
    }
}
