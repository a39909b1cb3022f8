<?php

declare(strict_types=1);

namespace Elmstone\Devices;

/** The card that a terminal has before it, read and not asked for anything yet. Never more of it than this. */
final readonly class CardRead
{
    /**
     * @param  string  $cardType credit or debit
     * @param  string  $lastFour digits
     */
    public function __construct(public string $cardType, public string $lastFour)
    {
    }
}
