<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Answers only under the names the shop's computer is known by, so that no link of ours points to another's. */
final class KnownHosts
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $known = config('house.hosts');

        return is_array($known)
            && in_array(
                strtolower((string) preg_replace('/:\d+$/', '', (string) $request->headers->get('host'))),
                $known,
                true,
            )
            ? $next($request)
            : response('This computer is not known by that name. The owner sets its names in ELMSTONE_HOSTS.', 400, [
                'Content-Type' => 'text/plain',
            ]);
    }
}
