<?php

declare(strict_types=1);

namespace Elmstone\Returns;

/** What a part of a credit comes from: what was paid of an original, what was charged of it, or goods without one. */
final readonly class Source
{
    /** @param  int|null  $origin document id of what was sold; null: without one */
    private function __construct(public Pool $pool, public ?int $origin)
    {
    }

    public static function paid(int $origin): self
    {
        return new self(Pool::Paid, $origin);
    }

    public static function charged(int $origin): self
    {
        return new self(Pool::Charged, $origin);
    }

    public static function blind(): self
    {
        return new self(Pool::Blind, null);
    }

    /** As it was written as a key. */
    public static function read(string $key): self
    {
        [$pool, $origin] = [...explode(':', $key), ''];

        return new self(Pool::from($pool), $origin === '' ? null : (int) $origin);
    }

    /** What amounts by source are listed under. */
    public function key(): string
    {
        return $this->origin === null ? $this->pool->value : "{$this->pool->value}:{$this->origin}";
    }

    public function is(Pool $pool): bool
    {
        return $this->pool === $pool;
    }
}
