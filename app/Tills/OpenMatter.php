<?php

declare(strict_types=1);

namespace Elmstone\Tills;

/** One thing that is still open at a till, in words, and where it is dealt with. */
final readonly class OpenMatter
{
    public function __construct(public string $words, public string $address)
    {
    }
}
