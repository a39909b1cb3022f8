<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Steps of setting up are for whoever has shown the key of the machine. */
final class HasKey
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return match (true) {
            SetUpKey::isShown($request) => $next($request),
            $request->isMethod('get') => redirect()->route('setup'),
            default => abort(403),
        };
    }
}
