<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Closure;
use Generator;
use Illuminate\Support\Facades\DB;

/**
 * Several readings that must fit each other: all of them see what stood at the first, whatever is posted meanwhile.
 * Elsewhere each reading sees what stands when it is made. Nothing is written in one.
 */
final class Snapshot
{
    private static int $depth = 0;

    private static bool $isOurs = false;

    /**
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T
     */
    public static function of(Closure $read): mixed
    {
        self::open();

        try {
            return $read();
        } finally {
            self::close();
        }
    }

    /**
     * What is read step by step.
     *
     * @template TKey
     * @template TValue
     *
     * @param  Closure(): Generator<TKey, TValue>  $read
     * @return Generator<TKey, TValue>
     */
    public static function through(Closure $read): Generator
    {
        self::open();

        try {
            yield from $read();
        } finally {
            self::close();
        }
    }

    public static function isOpen(): bool
    {
        return self::$depth > 0;
    }

    private static function open(): void
    {
        // Within a transaction of somebody else's it is that which says what is seen.
        if (self::$depth++ === 0 && DB::transactionLevel() === 0) {
            DB::statement('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
            DB::beginTransaction();
            self::$isOurs = true;
        }
    }

    private static function close(): void
    {
        if (--self::$depth === 0 && self::$isOurs) {
            self::$isOurs = false;
            DB::rollBack();
        }
    }
}
