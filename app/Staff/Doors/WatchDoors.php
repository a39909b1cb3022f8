<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Closure;
use Elmstone\Staff\Staff;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Writes down whoever was turned away, and whatever data was taken out as a table. */
final class WatchDoors
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $staff = $request->user() instanceof Staff ? $request->user() : null;

        match (true) {
            $response->getStatusCode() === 403 => SecurityLog::write(
                SecurityEvent::Refused,
                $staff,
                "{$request->method()} /{$request->path()}",
            ),
            self::isTakenOut($response) => SecurityLog::write(
                SecurityEvent::Exported,
                $staff,
                "/{$request->path()}".($request->getQueryString() === null ? '' : "?{$request->getQueryString()}"),
            ),
            default => null,
        };

        return $response;
    }

    /** A table, or another file that is not a paper to look at. */
    private static function isTakenOut(Response $response): bool
    {
        return str_starts_with((string) $response->headers->get('Content-Type'), 'text/csv')
            || (str_starts_with((string) $response->headers->get('Content-Disposition'), 'attachment')
                && ! str_starts_with((string) $response->headers->get('Content-Type'), 'application/pdf'));
    }
}
