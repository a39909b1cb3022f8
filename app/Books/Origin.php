<?php

declare(strict_types=1);

namespace Elmstone\Books;

/** The line of a posted document that something comes back of. */
final readonly class Origin
{
    public function __construct(public int $documentId, public int $position)
    {
    }

    /** "12:3" */
    public function key(): string
    {
        return "{$this->documentId}:{$this->position}";
    }
}
