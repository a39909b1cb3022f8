<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * PHP looks for garbage among all that is in memory each time some thousands of things have been made. An answer of the
 * counter is over before that pays: a slip of two hundred lines would be looked through again and again for nothing.
 */
final class CollectsLater
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        gc_disable();

        try {
            return $next($request);
        } finally {
            gc_enable();
        }
    }
}
