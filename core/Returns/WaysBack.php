<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;

/**
 * Shares what goes back by each way out between the sums it comes from, none taking more of a way than it may. Where
 * one sharing fails another is tried (augmenting paths, Ford and Fulkerson 1956), so that what is possible is always
 * found.
 */
final class WaysBack
{
    /** @var array<string, array<string, int>> minor units by way and source */
    private array $flow = [];

    /** @param  list<MoneySource>  $sources */
    private function __construct(private readonly array $sources)
    {
    }

    /**
     * The most that could go one way while the others stay as they are wanted.
     *
     * @param  list<MoneySource>  $sources
     * @param  array<string, Money>  $others wanted by the other ways
     */
    public static function most(Currency $currency, array $sources, string $way, array $others = []): Money
    {
        $back = new self($sources);

        foreach (array_diff_key($others, [$way => true]) as $other => $wanted) {
            $back->send($other, $wanted->minor);
        }

        return Money::ofMinor($back->send($way, PHP_INT_MAX), $currency);
    }

    /**
     * @param  list<MoneySource>  $sources
     * @param  array<string, Money>  $wanted by way
     * @return array<string, array<string, Money>>|null by source and way; null where it cannot be
     */
    public static function share(Currency $currency, array $sources, array $wanted): ?array
    {
        $back = new self($sources);

        foreach ($wanted as $way => $amount) {
            if ($back->send($way, $amount->minor) !== $amount->minor) {
                return null;
            }
        }

        $shares = [];

        foreach ($back->flow as $way => $bySource) {
            foreach ($bySource as $source => $minor) {
                if ($minor > 0) {
                    $shares[$source][$way] = Money::ofMinor($minor, $currency);
                }
            }
        }

        return $shares;
    }

    /** @return int how much of it found a place */
    private function send(string $way, int $amount): int
    {
        $sent = 0;

        while ($sent < $amount && ($path = $this->path($way)) !== null) {
            $step = min($amount - $sent, $this->room($path));
            $this->push($path, $step);
            $sent += $step;
        }

        return $sent;
    }

    /**
     * From the way to a source with money left, if need be by moving other ways to other sources: way, source, way,
     * source …
     *
     * @return non-empty-list<array{string, string}>|null
     */
    private function path(string $start): ?array
    {
        $queue = [[$start, []]];
        $seen = [$start => true];

        while ($queue !== []) {
            [$way, $path] = array_shift($queue);

            foreach ($this->sources as $source) {
                if ($this->headroom($way, $source) === 0) {
                    continue;
                }

                $reached = [...$path, [$way, $source->id]];

                if ($this->rest($source) > 0) {
                    return $reached;
                }

                foreach ($this->flow as $other => $bySource) {
                    if (! isset($seen[$other]) && ($bySource[$source->id] ?? 0) > 0) {
                        $seen[$other] = true;
                        $queue[] = [$other, $reached];
                    }
                }
            }
        }

        return null;
    }

    /** @param  non-empty-list<array{string, string}>  $path */
    private function room(array $path): int
    {
        $room = PHP_INT_MAX;

        foreach ($path as $i => [$way, $id]) {
            $source = $this->source($id);
            $room = min(
                $room,
                $this->headroom($way, $source),
                $i === count($path) - 1 ? $this->rest($source) : $this->flow[$path[$i + 1][0]][$id],
            );
        }

        return $room;
    }

    /** @param  non-empty-list<array{string, string}>  $path */
    private function push(array $path, int $step): void
    {
        foreach ($path as $i => [$way, $id]) {
            $this->flow[$way][$id] = ($this->flow[$way][$id] ?? 0) + $step;

            if (isset($path[$i + 1])) {
                $this->flow[$path[$i + 1][0]][$id] -= $step;
            }
        }
    }

    private function headroom(string $way, MoneySource $source): int
    {
        return $source->cap($way)->minor - ($this->flow[$way][$source->id] ?? 0);
    }

    private function rest(MoneySource $source): int
    {
        return $source->amount->minor - array_sum(array_column($this->flow, $source->id));
    }

    private function source(string $id): MoneySource
    {
        return array_values(
            array_filter($this->sources, static fn (MoneySource $source): bool => $source->id === $id),
        )[0];
    }
}
