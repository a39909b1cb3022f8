<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Closure;

/** A check over so much that it is done in parts, each by itself and in any order. */
interface InParts extends Check
{
    /** @return list<Closure(Proof): void> */
    public function parts(): array;
}
