<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Illuminate\Database\Connection;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;

/**
 * Whether the shop can be worked with. A database that hangs is one that does not answer: a second is waited for it and
 * no more, as whoever asks has other machines to send people to.
 */
final class HealthController
{
    private const SECONDS = '1';

    public function __invoke(): Response
    {
        $usual = ini_set('mysqlnd.net_read_timeout', self::SECONDS);

        try {
            return (int) $this->connection()->scalar('SELECT COUNT(*) FROM shop') >= 0 ? response('up')
                : response('down', 503);
        } catch (PDOException) {
            return response('the database does not answer', 503, ['Retry-After' => '5']);
        } finally {
            DB::purge('health');
            $usual === false || ini_set('mysqlnd.net_read_timeout', $usual);
        }
    }

    /** The usual one, of its own and in a hurry. */
    private function connection(): Connection
    {
        $usual = Config::array('database.connections.mariadb');
        $options = is_array($usual['options'] ?? null) ? $usual['options'] : [];
        Config::set('database.connections.health', [
            ...$usual, 'options' => [PDO::ATTR_TIMEOUT => (int) self::SECONDS] + $options,
        ]);

        return DB::connection('health');
    }
}
