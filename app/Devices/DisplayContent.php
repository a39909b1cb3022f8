<?php

declare(strict_types=1);

namespace Elmstone\Devices;

/** What the customer sees: figures already written out. Never a cost, a margin or a name. */
final readonly class DisplayContent
{
    /** How many lines it has room for. */
    public const LINES = 12;

    /** Seconds that it stands there with nothing done: a thank-you, and a slip that somebody was called away from. */
    private const THANKS = 25;

    private const LEFT_ALONE = 180;

    /**
     * @param  list<array{quantity: string, description: string, each: string, net: string}>  $lines
     * @param  string  $paid empty: nothing yet
     * @param  bool  $thanks whether it is done with
     */
    public function __construct(
        public array $lines,
        public string $tax,
        public string $total,
        public string $left,
        public string $change,
        public string $paid = '',
        public bool $thanks = false,
    ) {
    }

    /** How long it stands there; then nobody else sees what somebody bought. */
    public function seconds(): int
    {
        return $this->thanks ? self::THANKS : self::LEFT_ALONE;
    }
}
