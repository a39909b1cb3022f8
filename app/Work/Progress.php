<?php

declare(strict_types=1);

namespace Elmstone\Work;

use Elmstone\Support\Database\HouseConnection;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/**
 * Says how far a work is, to whoever looks, while what it writes does not stand yet: on a connection of its own, and
 * not more than twice a second.
 */
final class Progress
{
    private const EVERY = 0.5;

    private float $said = 0.0;

    public function __construct(private readonly int $work)
    {
    }

    public function at(int $done, int $of): void
    {
        if (microtime(true) - $this->said < self::EVERY) {
            return;
        }

        $this->said = microtime(true);
        (DB::transactionLevel() > 0 ? self::beside() : DB::connection())
            ->table('works')->where('id', $this->work)->update(['done' => $done, 'of' => $of]);
    }

    /**
     * Rows as they are taken, counted.
     *
     * @template TRow
     *
     * @param  iterable<int, TRow>  $rows
     * @return iterable<int, TRow>
     */
    public function over(iterable $rows, int $of): iterable
    {
        $done = 0;

        foreach ($rows as $key => $row) {
            yield $key => $row;
            $this->at(++$done, $of);
        }
    }

    private static function beside(): Connection
    {
        $usual = DB::connection();

        // Within a test's own transaction nobody else sees the row.
        if ($usual instanceof HouseConnection && $usual->outside > 0) {
            return $usual;
        }

        Config::set('database.connections.beside', Config::array('database.connections.mariadb'));

        return DB::connection('beside');
    }
}
