<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Headers of every answer: no script or style but our own, no framing, no stale page after posting. */
final class SecurityHeaders
{
    private const POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src "
        ."'self'; "
        ."connect-src 'self'; form-action 'self'; frame-src 'self'; frame-ancestors 'self'; base-uri 'none'";

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $this->forgetStrangers($request);
        $response = $next($request);
        $response->headers->set('Content-Security-Policy', self::POLICY);
        $response->headers->set('X-Content-Type-Options', 'nosniff');
        $response->headers->set('Referrer-Policy', 'same-origin');
        $response->headers->set('Cache-Control', 'no-store, private');
        $response->headers->set('Permissions-Policy', 'camera=(), microphone=(), geolocation=(), payment=(), usb=()');
        $request->secure() && $response->headers->set('Strict-Transport-Security', 'max-age=31536000');

        // Whoever waits for the answer has it when it is whole, whatever is still sent after it.
        is_string($response->getContent())
            && $response->headers->set('Content-Length', (string) strlen($response->getContent()));

        return $response;
    }

    /** "Back" is where somebody came from, but never to another site. */
    private function forgetStrangers(Request $request): void
    {
        $from = (string) $request->headers->get('referer');

        if ($from !== '' && parse_url($from, PHP_URL_HOST) !== $request->getHost()) {
            $request->headers->remove('referer');
        }
    }
}
