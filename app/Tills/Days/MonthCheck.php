<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

/** One thing a month is closed on: whether it is right, and where it is looked at. */
final readonly class MonthCheck
{
    public function __construct(
        public string $words,
        public bool $isRight,
        public string $detail,
        public string $address,
    ) {
    }
}
