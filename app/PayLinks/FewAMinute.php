<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Closure;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** So often a minute from one address and no more; who has a link that is none, less often: guessing leads nowhere. */
final readonly class FewAMinute
{
    public const LOOKS = 60;

    public const TRIES = 10;

    public const WRONG = 20;

    public function __construct(private RateLimiter $limiter)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $from = "pay {$request->ip()}";
        $act = $request->isMethod('POST') ? 'tries' : 'looks';

        if (
            $this->limiter->tooManyAttempts("{$from} {$act}", $act === 'tries' ? self::TRIES : self::LOOKS)
            || $this->limiter->tooManyAttempts("{$from} wrong", self::WRONG)
        ) {
            abort(429, 'That is too often. Try again in a minute.');
        }

        $this->limiter->hit("{$from} {$act}", 60);
        $response = $next($request);
        $response->getStatusCode() === 404 && $this->limiter->hit("{$from} wrong", 60);

        return $response;
    }
}
