<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Closure;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;
use Symfony\Component\HttpFoundation\Response;

/** Who reads the measurements: a program that has their token (ELMSTONE_METRICS_TOKEN), or who may see how it runs. */
final class MayMeasure
{
    private const LEAST = 16;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $token = Config::string('house.metrics_token');
        $hasToken = strlen($token) >= self::LEAST && hash_equals($token, (string) $request->bearerToken());
        $staff = $request->user();

        return $hasToken || ($staff instanceof Staff && $staff->active && $staff->mayDo(Ability::SeeRunning))
            ? $next($request)
            : response('A token, please.', 401, ['WWW-Authenticate' => 'Bearer', 'Content-Type' => 'text/plain']);
    }
}
