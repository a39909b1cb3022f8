<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Carbon\CarbonImmutable;

/** A card that the terminal keeps: its own word for it, and so much of the card as anybody may know. */
final readonly class KeptCard
{
    /**
     * @param  string  $token the terminal’s; it is worth nothing elsewhere
     * @param  string  $lastFour digits
     * @param  CarbonImmutable  $expires the last day of its month
     */
    public function __construct(
        public string $token,
        public string $cardType,
        public string $lastFour,
        public CarbonImmutable $expires,
    ) {
    }
}
