<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\Location;
use Elmstone\Staff\Doors\Presence;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Where somebody works, and as what. */
final readonly class PlacesController
{
    public function __construct(private StaffPlaces $places)
    {
    }

    public function show(Staff $staff): View
    {
        return view('staff.places', [
            'person' => $staff,
            'locations' => Location::query()->orderBy('id')->get(),
            'places' => $this->places->of($staff),
            'roles' => array_filter(Role::cases(), static fn (Role $role): bool => $role !== Role::Owner),
        ]);
    }

    public function keep(
        Request $request,
        Staff $staff,
        Presence $presence,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $places = [];

        foreach ((array) $request->input('at', []) as $location => $role) {
            $role = is_string($role) ? Role::tryFrom($role) : null;
            $role === null || ($places[(int) $location] = $role);
        }

        $this->places->keep($staff, $places, $by);
        $staff->is($by) && $presence->begin($staff->refresh());

        return redirect()->route('staff')->with('done', $places === []
            ? "{$staff->name} works at every location."
            : "Kept. {$staff->name} signs in again, at a till of a location where they work.");
    }
}
