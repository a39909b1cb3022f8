<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Closure;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Staff\StaffPlaces;
use Elmstone\Support\Http\Navigation;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Pages that work at a till need to know which; whoever is still active keeps the session, and shows their PIN again
 * after a while without an act.
 */
final class RequireTill
{
    /** What a page does by itself is no act. */
    private const BY_ITSELF = ['devices.display', 'lock'];

    /** What can be done while the PIN is asked for; the customer's display shows what it showed. */
    private const WHILE_LOCKED = ['unlock', 'lock', 'sign-out', 'devices.display'];

    /**
     * What can be done at a till for training: the slip on the counter, and what concerns who stands there or what
     * is set.
     */
    private const PRACTISED = [
        'counter.*', 'documents.bring-back', 'layaways.pay', 'unlock', 'lock', 'sign-out', 'sign-out.everywhere',
        'change-person', 'devices.*', 'staff', 'staff.*', 'tills.*', 'settings.*', 'rights.*',
    ];

    public function __construct(
        private readonly AtTill $atTill,
        private readonly Presence $presence,
        private readonly StaffPlaces $places,
    ) {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $staff = $request->user();

        if (
            ! ($staff instanceof Staff)
            || ! $staff->active
            || ! $this->atTill->isChosen()
            || $this->presence->isOver($staff)
            || ! $this->places->worksAt($staff, $this->atTill->till()->location_id)
        ) {
            Auth::logout();

            return redirect()->route('sign-in');
        }

        if ($this->presence->isLocked() && ! $request->routeIs(self::WHILE_LOCKED)) {
            return $this->ask($request);
        }

        if (! $request->isMethod('get') && ! $request->routeIs(self::PRACTISED) && $this->atTill->till()->training) {
            throw Refused::because(
                'training',
                'This till is for training: only sales are practised at it. Do that at another till.',
            );
        }

        $request->routeIs(self::BY_ITSELF) || $this->presence->acts();

        return $next($request);
    }

    /** A page that stands there asks by itself; where another is wanted, one that asks comes first. */
    private function ask(Request $request): Response
    {
        return Navigation::is($request)
            ? response()->view(
                'staff.locked',
                ['next' => $request->isMethod('get') ? $request->fullUrl() : url('/counter')],
                423,
            )
            : response('', 423);
    }
}
