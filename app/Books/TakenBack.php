<?php

declare(strict_types=1);

namespace Elmstone\Books;

use RuntimeException;

/** Ends a practice: what it posted is taken back, and what was seen of it goes out. */
final class TakenBack extends RuntimeException
{
    public function __construct(public readonly mixed $seen)
    {
        parent::__construct('Practice is never kept.');
    }
}
