<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Database;

use Illuminate\Contracts\Database\LostConnectionDetector;
use Throwable;

/**
 * For pages: a database that did not answer is not asked a second time while somebody waits. Each page has a new
 * connection anyway.
 */
final class AskedOnce implements LostConnectionDetector
{
    public function causedByLostConnection(Throwable $e): bool
    {
        return false;
    }
}
