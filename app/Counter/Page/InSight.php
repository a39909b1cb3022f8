<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Closure;
use Elmstone\Books\Document;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\Location;
use Elmstone\Staff\Sight;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Turns away who asks for a slip or document of a location they do not see, or acts on a location not theirs. */
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
            $named = $this->sight->isBound($staff) ? $this->named($request) : [];
            abort_if(array_filter($named, fn (int $one): bool => ! $this->sight->sees($staff, $one)) !== [], 403);
        }

        return $next($request);
    }

    /** @return list<int> locations that a form or an address names */
    private function named(Request $request): array
    {
        $named = [$request->route('location'), $request->input('location'), $request->input('place')];

        return array_map(
            static fn (mixed $one): int => $one instanceof Location ? $one->id : (int) $one,
            array_values(array_filter(
                [...$named, ...$this->places($request)],
                static fn ($one): bool => $one instanceof Location || is_numeric($one),
            )),
        );
    }

    /** @return list<mixed> locations of what an address is about: a session, a purchase, whatever is of one place */
    private function places(Request $request): array
    {
        $places = [];

        foreach ($request->route()?->parameters() ?? [] as $one) {
            $one instanceof Model && ($places[] = $one->getAttributes()['location_id'] ?? null);
        }

        return $places;
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
