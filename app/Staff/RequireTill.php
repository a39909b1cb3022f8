<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Pages that work at a till need to know which; whoever is still active keeps the session. */
final class RequireTill
{
    public function __construct(private readonly AtTill $atTill)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $staff = $request->user();

        if (! $staff instanceof Staff || ! $staff->active || ! $this->atTill->isChosen()) {
            Auth::logout();

            return redirect()->route('sign-in');
        }

        return $next($request);
    }
}
