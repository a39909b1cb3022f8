<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Closure;
use Elmstone\Books\Document;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Staff\Sight;
use Elmstone\Staff\Staff;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Turns away who asks for a slip or document of a location they do not see. */
final class InSight
{
    public function __construct(private readonly Sight $sight)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $staff = $request->user();

        if ($staff instanceof Staff && ! $this->sight->seesAll($staff)) {
            $location = $this->location($request);
            abort_if($location !== null && ! $this->sight->sees($staff, $location), 403);
        }

        return $next($request);
    }

    private function location(Request $request): ?int
    {
        $document = $request->route('document');
        $slip = $request->route('slip');
        $found = match (true) {
            $document instanceof Document => $document->location_id,
            is_string($slip) => Slip::query()->where('key', $slip)->value('location_id'),
            default => null,
        };

        return is_numeric($found) ? (int) $found : null;
    }
}
