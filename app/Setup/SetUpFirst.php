<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Closure;
use Elmstone\Shop\Settings;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Until the shop is open every page leads to setting it up; from then on none does. */
final readonly class SetUpFirst
{
    public function __construct(private Settings $settings)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $isSettingUp = $request->routeIs('setup', 'setup.*');

        return match (true) {
            $this->settings->isOpen() => $isSettingUp ? redirect('/sign-in') : $next($request),
            $isSettingUp => $next($request),
            $request->isMethod('get') && ! $request->expectsJson() => redirect()->route('setup'),
            default => response('The shop is not open yet.', 503),
        };
    }
}
