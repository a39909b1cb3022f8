<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use PDOException;

/**
 * Whether the shop can be worked with. A database that hangs is one that does not answer: it is waited for no longer
 * than any page waits.
 */
final class HealthController
{
    public function __invoke(): Response
    {
        try {
            return (int) DB::scalar('SELECT COUNT(*) FROM shop') >= 0 ? response('up') : response('down', 503);
        } catch (PDOException) {
            return response('the database does not answer', 503, ['Retry-After' => '5']);
        }
    }
}
