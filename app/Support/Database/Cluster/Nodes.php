<?php

declare(strict_types=1);

namespace Elmstone\Support\Database\Cluster;

use LogicException;

/** The nodes of a cluster of databases, by the names they call themselves (wsrep_node_name). */
final class Nodes
{
    /**
     * @param  string  $written one=10.0.0.11:3306,two=10.0.0.12:3306; nothing: there is one database, and no cluster
     * @return array<string, array{host: string, port: string}>
     */
    public static function read(string $written): array
    {
        $nodes = [];

        foreach (preg_split('/[\s,]+/', $written, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $node) {
            preg_match('/^(\w[\w.-]*)=(.+):(\d+)$/D', $node, $parts) === 1
                || throw new LogicException("DB_NODES has “{$node}”, where name=address:port is meant.");
            $nodes[$parts[1]] = ['host' => $parts[2], 'port' => $parts[3]];
        }

        return $nodes;
    }
}
