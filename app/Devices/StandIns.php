<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** The page that plays the devices is there only where they are played. */
final class StandIns
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        abort_unless(config('house.stand_ins') === true, 404);

        return $next($request);
    }
}
