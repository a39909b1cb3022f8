<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Carbon;
use stdClass;

/**
 * A session in its table that is written down when something in it changed, and else once a minute at most: most acts
 * change nothing in it, and each would wait for the disk.
 */
final class KeptSession extends DatabaseSessionHandler
{
    private const SECONDS = 60;

    /** @var array{string, string, int}|null whose it is, what stands in the table, and since when */
    private ?array $stands = null;

    /** @param  string  $sessionId */
    public function read($sessionId): string
    {
        $row = $this->getQuery()->find($sessionId);
        $this->exists = $row instanceof stdClass;

        if (! $row instanceof stdClass || $this->expired($row)) {
            return '';
        }

        $data = (string) base64_decode((string) $row->payload, true);
        $this->stands = [$sessionId, $data, (int) $row->last_activity];

        return $data;
    }

    /**
     * @param  string  $sessionId
     * @param  string  $data
     */
    public function write($sessionId, $data): bool
    {
        [$id, $was, $since] = $this->stands ?? ['', '', 0];
        $now = Carbon::now()->getTimestamp();

        if ($id === $sessionId && $was === $data && $now - $since < self::SECONDS) {
            return true;
        }

        $this->stands = [$sessionId, $data, $now];

        return parent::write($sessionId, $data);
    }
}
