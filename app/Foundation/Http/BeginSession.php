<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Elmstone\Support\Http\Navigation;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/** A session that remembers which page somebody came from: pages, not what a page asks for by itself. */
final class BeginSession extends StartSession
{
    /** @param  Session  $session */
    protected function storeCurrentUrl(Request $request, $session): void
    {
        Navigation::is($request) && parent::storeCurrentUrl($request, $session);
    }
}
