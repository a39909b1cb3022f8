<?php

declare(strict_types=1);

namespace Elmstone\Bench;

/** How long something took, many times over. */
final class Timings
{
    /** @var list<float> milliseconds */
    private array $taken = [];

    /**
     * @template T
     *
     * @param  callable(): T  $do
     * @return T
     */
    public function time(callable $do): mixed
    {
        $started = hrtime(true);
        $result = $do();
        $this->taken[] = (hrtime(true) - $started) / 1e6;

        return $result;
    }

    public function add(float $milliseconds): void
    {
        $this->taken[] = $milliseconds;
    }

    public function addAll(self $others): void
    {
        array_push($this->taken, ...$others->taken);
    }

    public function count(): int
    {
        return count($this->taken);
    }

    /** All of it, in milliseconds. */
    public function sum(): float
    {
        return array_sum($this->taken);
    }

    public function percentile(int $percent): float
    {
        sort($this->taken);

        return $this->taken[(int) floor(((count($this->taken) - 1) * $percent) / 100)] ?? 0.0;
    }
}
