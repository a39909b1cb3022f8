<?php

declare(strict_types=1);

namespace Elmstone\Support\Database\Cluster;

use Illuminate\Database\Connection;
use Illuminate\Database\QueryException;

/**
 * What a transaction hangs on while it is under way: it adds a row that names the turn of the node it is on, and takes
 * it away again. Many can do so at once and none waits for another; the end of that turn, on whatever node, ends them.
 */
final class Turn
{
    /** MariaDB: the row that a foreign key names is not there. */
    private const NO_SUCH_TURN = 1452;

    /** @throws NotTheWriter */
    public static function hangOn(Connection $connection): void
    {
        try {
            $isOurs = $connection->affectingStatement(
                'INSERT INTO writer_marks (turn) SELECT turn FROM writers WHERE node = @@wsrep_node_name',
            ) === 1;
        } catch (QueryException $failure) {
            $isOurs = ($failure->errorInfo[1] ?? 0) === self::NO_SUCH_TURN ? false : throw $failure;
        }

        $isOurs || throw new NotTheWriter('It is another node’s turn to be written to.');
        $connection->statement('DELETE FROM writer_marks WHERE id = LAST_INSERT_ID()');
    }
}
