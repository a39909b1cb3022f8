<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Closure;
use Illuminate\Http\Request;
use PDOException;
use Symfony\Component\HttpFoundation\Response;

/** Counts, once the answer is given, how long a posting took and that a page broke. */
final class TakeTime
{
    private const POSTS = ['counter.post'];

    private float $began = 0;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $this->began = microtime(true);

        return $next($request);
    }

    public function terminate(Request $request, Response $response): void
    {
        $what = match (true) {
            // Where the database does not answer nothing is broken, and nothing can be counted in it.
            $response->getStatusCode() === 500 => Measured::BROKEN,
            $request->routeIs(self::POSTS) && $response->isSuccessful() => Measured::POSTING,
            default => null,
        };

        if ($what === null || $this->began === 0.0) {
            return;
        }

        try {
            Measured::add($what, (int) round((microtime(true) - $this->began) * 1000));
        } catch (PDOException $failure) {
            // Where the database is gone nothing can be counted in it; the log has it.
            report($failure);
        }
    }
}
