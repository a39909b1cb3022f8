<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;

/** Somebody's part of a sale, in percent. */
final readonly class Part
{
    private function __construct(public string $person, public Percentage $percent)
    {
    }

    /** @throws Refused shares_not_whole where it is nothing at all */
    public static function of(string $person, Percentage $percent): self
    {
        return $percent->value->isZero()
            ? throw Refused::because('shares_not_whole', 'Who has a part of it has more than 0 %.')
            : new self($person, $percent);
    }
}
