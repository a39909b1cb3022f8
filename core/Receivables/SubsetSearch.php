<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Generator;

/**
 * Sets of numbers that sum to a target exactly, the smallest sets first and, of one size, those that stand earlier
 * first. The work is bounded: sets of up to four numbers, and those that leave out up to four, are all looked at; for
 * the sizes between there are so many steps and no more.
 */
final class SubsetSearch
{
    private const STEPS = 60_000;

    /** Beyond so many numbers only sets of one or two, or all but one or two, are looked for. */
    private const MOST_FOR_PAIRS = 600;

    private const SMALL = 4;

    /** Whether every set there is was looked at, as far as was asked for. */
    public bool $complete = true;

    private readonly int $count;

    private readonly int $total;

    /** @var array<int, list<int>> places by value */
    private array $places = [];

    /** @var array<int, int|list<int>> pairs of places, packed as first × count + second, by their sum */
    private array $pairs = [];

    /** @var list<int> sum of everything from a place on */
    private array $rest;

    /** @var list<int> the largest from a place on */
    private array $largest;

    private int $steps = 0;

    /**
     * @param  list<int>  $values above zero
     */
    public function __construct(private readonly array $values, private readonly int $target)
    {
        $this->count = count($values);
        $this->total = array_sum($values);
        $rest = [$this->count => 0];
        $largest = [$this->count => 0];

        for ($i = $this->count - 1; $i >= 0; $i--) {
            $rest[$i] = $rest[$i + 1] + $values[$i];
            $largest[$i] = max($largest[$i + 1], $values[$i]);
        }

        ksort($rest);
        ksort($largest);
        $this->rest = array_values($rest);
        $this->largest = array_values($largest);
    }

    /** @return list<list<int>> so many sets of places at most, the best first */
    public function find(int $most): array
    {
        if ($this->total < $this->target || $this->target <= 0) {
            return [];
        }

        $this->index();
        $found = [];

        for ($size = 1; $size <= $this->count && count($found) < $most; $size++) {
            foreach ($this->ofSize($size) as $set) {
                $found[] = $set;

                if (count($found) === $most) {
                    break;
                }
            }
        }

        return $found;
    }

    /** @return iterable<list<int>> */
    private function ofSize(int $size): iterable
    {
        $left = $this->count - $size;

        return match (true) {
            $size <= $this->reach() => $this->sets($size, 0, $this->target, false),
            $left <= $this->reach() => $this->others($left),
            default => $this->bounded($size),
        };
    }

    private function reach(): int
    {
        return $this->count <= self::MOST_FOR_PAIRS ? self::SMALL : 2;
    }

    /**
     * The sets that leave out so many: what is left out sums to the rest. The latest left out come first.
     *
     * @return Generator<int, list<int>>
     */
    private function others(int $left): Generator
    {
        $all = range(0, $this->count - 1);

        foreach ($this->sets($left, 0, $this->total - $this->target, true) as $without) {
            yield array_values(array_diff($all, $without));
        }
    }

    /** @return Generator<int, list<int>> */
    private function bounded(int $size): Generator
    {
        if ($this->steps > self::STEPS || $this->count > self::MOST_FOR_PAIRS) {
            $this->complete = false;

            return;
        }

        yield from $this->sets($size, 0, $this->target, false);
    }

    /**
     * @param  bool  $backwards the latest first
     * @return Generator<int, list<int>> places in rising order
     */
    private function sets(int $size, int $from, int $sum, bool $backwards): Generator
    {
        if ($size === 0) {
            if ($sum === 0) {
                yield [];
            }

            return;
        }

        if ($size === 1 || ($size === 2 && $this->pairs !== [])) {
            yield from $size === 1 ? $this->single($from, $sum, $backwards) : $this->pair($from, $sum, $backwards);

            return;
        }

        for ($step = 0, $last = $this->count - $size; $step <= $last - $from; $step++) {
            $i = $backwards ? $last - $step : $from + $step;
            $left = $sum - $this->values[$i];

            if ($size > self::SMALL && ++$this->steps > self::STEPS) {
                $this->complete = false;

                return;
            }

            if (
                $left <= 0
                || ($size === 3 && ! isset($this->pairs[$left]))
                || $this->rest[$i + 1] < $left
                || $left > $this->largest[$i + 1] * ($size - 1)
            ) {
                continue;
            }

            foreach ($this->sets($size - 1, $i + 1, $left, $backwards) as $others) {
                yield [$i, ...$others];
            }
        }
    }

    /** @return Generator<int, list<int>> */
    private function single(int $from, int $sum, bool $backwards): Generator
    {
        $places = $this->places[$sum] ?? [];

        foreach ($backwards ? array_reverse($places) : $places as $place) {
            if ($place >= $from) {
                yield [$place];
            }
        }
    }

    /** @return Generator<int, list<int>> */
    private function pair(int $from, int $sum, bool $backwards): Generator
    {
        $pairs = (array) ($this->pairs[$sum] ?? []);
        $first = self::firstAtLeast($pairs, $from * $this->count);

        for ($step = 0, $count = count($pairs) - $first; $step < $count; $step++) {
            $pair = $pairs[$backwards ? count($pairs) - 1 - $step : $first + $step];

            yield [intdiv($pair, $this->count), $pair % $this->count];
        }
    }

    /** @param  list<int>  $sorted */
    private static function firstAtLeast(array $sorted, int $wanted): int
    {
        $low = 0;
        $high = count($sorted);

        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $sorted[$middle] < $wanted ? ($low = $middle + 1) : ($high = $middle);
        }

        return $low;
    }

    private function index(): void
    {
        foreach ($this->values as $place => $value) {
            $this->places[$value][] = $place;
        }

        for ($i = 0; $i < $this->count && $this->count <= self::MOST_FOR_PAIRS; $i++) {
            for ($j = $i + 1; $j < $this->count; $j++) {
                $sum = $this->values[$i] + $this->values[$j];
                $pair = $i * $this->count + $j;

                if (! isset($this->pairs[$sum])) {
                    $this->pairs[$sum] = $pair;
                } elseif (is_int($this->pairs[$sum])) {
                    $this->pairs[$sum] = [$this->pairs[$sum], $pair];
                } else {
                    $this->pairs[$sum][] = $pair;
                }
            }
        }
    }
}
