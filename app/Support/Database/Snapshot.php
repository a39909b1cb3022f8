<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Closure;
use Illuminate\Support\Facades\DB;

/**
 * Several readings that must fit each other: all of them see what stood at the first, whatever is posted meanwhile.
 * Elsewhere each reading sees what stands when it is made.
 */
final class Snapshot
{
    /**
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T
     */
    public static function of(Closure $read): mixed
    {
        if (DB::transactionLevel() > 0) {
            return $read();
        }

        self::begin();

        try {
            return $read();
        } finally {
            DB::rollBack();
        }
    }

    /** For what is read step by step; who begins one ends it by rolling back. */
    public static function begin(): void
    {
        DB::transactionLevel() > 0 || DB::statement('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
        DB::beginTransaction();
    }
}
