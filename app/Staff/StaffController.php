<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\House;
use Elmstone\Staff\Doors\PinTries;
use Elmstone\Staff\Doors\Presence;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Who works here, what they may do, and their PINs. */
final class StaffController
{
    public function index(PinTries $tries, House $house, StaffPlaces $places): View
    {
        $people = Staff::query()->orderBy('number')->get();
        $bound = $people->mapWithKeys(static fn (Staff $one): array => [$one->id => count($places->of($one))])
            ->filter()
            ->map(static fn (int $count): string => $count === 1 ? 'one location' : "{$count} locations");

        return view('staff.index', [
            'people' => $people,
            'bound' => $bound,
            'roles' => Role::cases(),
            'locked' => $tries->locked(),
            'shop' => $house->shop(),
        ]);
    }

    public function store(StaffRequest $request, SaveStaff $save, #[CurrentUser] Staff $by): RedirectResponse
    {
        $staff = $save->handle(null, $request->fields(), $request->pin(), $by);

        return redirect()
            ->route('staff')
            ->with('done', "{$staff->name} can sign in as {$staff->number}.");
    }

    public function update(
        StaffRequest $request,
        Staff $staff,
        SaveStaff $save,
        Presence $presence,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $changed = $save->handle($staff, $request->fields(), $request->pin(), $by);
        // Who changes their own entry stays here, and nowhere else.
        $changed->is($by) && $presence->begin($changed);

        return redirect()->route('staff')->with('done', 'Saved.');
    }

    public function unlock(Staff $staff, PinTries $tries, #[CurrentUser] Staff $by): RedirectResponse
    {
        $tries->forget($staff->number);
        SecurityLog::write(SecurityEvent::Unlocked, $by, "{$staff->number} {$staff->name}");

        return redirect()
            ->route('staff')
            ->with('done', "{$staff->name} can sign in again.");
    }

    public function signOut(Staff $staff, Presence $presence, #[CurrentUser] Staff $by): RedirectResponse
    {
        $staff->endSessions();
        SecurityLog::write(SecurityEvent::SignedOutEverywhere, $by, "{$staff->number} {$staff->name}");
        $staff->is($by) && $presence->begin($staff);

        return redirect()
            ->route('staff')
            ->with('done', "{$staff->name} is signed out everywhere.");
    }

    /** After how long without an act the page asks for the PIN, and what clerks see of other locations. */
    public function settings(Request $request, House $house, #[CurrentUser] Staff $by): RedirectResponse
    {
        $fields = $request->validate(
            ['idle_minutes' => ['required', 'integer', 'between:0,480'], 'see_other_locations' => ['boolean']],
            ['idle_minutes.*' => 'Type minutes from 0, which is never, to 480.'],
        );
        $house->shop()->update([
            'idle_minutes' => (int) $fields['idle_minutes'],
            'see_other_locations' => $request->boolean('see_other_locations'),
        ]);
        SecurityLog::write(
            SecurityEvent::SettingChanged,
            $by,
            "PIN after {$request->integer('idle_minutes')} minutes; other locations "
                .($request->boolean('see_other_locations') ? 'seen' : 'not seen')
                .' by clerks',
        );

        return redirect()->route('staff')->with('done', 'Kept.');
    }
}
