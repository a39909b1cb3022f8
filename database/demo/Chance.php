<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Chance from a fixed seed: the same shop every time. */
final class Chance
{
    private readonly Randomizer $randomizer;

    public function __construct(int $seed)
    {
        $this->randomizer = new Randomizer(new Mt19937($seed));
    }

    public function between(int $least, int $most): int
    {
        return $this->randomizer->getInt($least, $most);
    }

    public function in(int $percent): bool
    {
        return $this->between(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    public function oneOf(array $of): mixed
    {
        return $of[$this->between(0, count($of) - 1)];
    }
}
