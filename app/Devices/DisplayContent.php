<?php

declare(strict_types=1);

namespace Elmstone\Devices;

/** What the customer sees: figures already written out. Never a cost, a margin or a name. */
final readonly class DisplayContent
{
    /** How many lines it has room for. */
    public const LINES = 12;

    /** @param  list<array{quantity: string, description: string, net: string}>  $lines */
    public function __construct(
        public array $lines,
        public string $tax,
        public string $total,
        public string $left,
        public string $change,
    ) {
    }
}
