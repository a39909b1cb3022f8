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
            str_starts_with((string) $response->headers->get('Content-Type'), 'text/csv') => SecurityLog::write(
                SecurityEvent::Exported,
                $staff,
                "/{$request->path()}".($request->getQueryString() === null ? '' : "?{$request->getQueryString()}"),
            ),
            default => null,
        };

        return $response;
    }
}
