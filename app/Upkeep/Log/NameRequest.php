<?php

declare(strict_types=1);

namespace Elmstone\Upkeep\Log;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/**
 * Every request has a number: it stands in each line of the log that belongs to it, and in the answer, so that whoever
 * says what went wrong can say which.
 */
final class NameRequest
{
    public const HEADER = 'X-Request-Id';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $number = (string) Str::uuid();
        Context::add('request', $number);
        Context::add('address', "{$request->method()} /{$request->path()}");
        $response = $next($request);
        $response->headers->set(self::HEADER, $number);

        return $response;
    }
}
