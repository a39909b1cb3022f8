<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Address;

use Closure;
use Elmstone\WebOrders\Sender;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Words;
use Symfony\Component\HttpFoundation\Response;

/**
 * Lets in whoever has a token, so often a minute and no more. Who has none, or a wrong one, may try less often:
 * guessing leads nowhere.
 */
final readonly class KnowSender
{
    public const A_MINUTE = 1200;

    public const WRONG_A_MINUTE = 30;

    public function __construct(private RateLimiter $limiter)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $wrong = 'web-orders wrong '.$request->ip();

        if ($this->limiter->tooManyAttempts($wrong, self::WRONG_A_MINUTE)) {
            return $this->tooOften($wrong);
        }

        $sender = Sender::withToken((string) $request->bearerToken());

        if ($sender === null) {
            $this->limiter->hit($wrong);

            return self::says('This address takes orders of senders with a token: Authorization: Bearer …', 401)
                ->header('WWW-Authenticate', 'Bearer');
        }

        $own = "web-orders {$sender->id}";

        if ($this->limiter->tooManyAttempts($own, self::A_MINUTE)) {
            return $this->tooOften($own);
        }

        $this->limiter->hit($own);
        $request->attributes->set('sender', $sender);

        return $next($request);
    }

    private function tooOften(string $key): Response
    {
        $seconds = $this->limiter->availableIn($key);

        return self::says("Too often. Go on in {$seconds} seconds.", 429)->header('Retry-After', (string) $seconds);
    }

    private static function says(string $words, int $status): Words
    {
        return new Words("{$words}\n", $status, ['Content-Type' => 'text/plain; charset=utf-8']);
    }
}
