<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** Who works here, what they may do, and their PINs. */
final class StaffController
{
    public function index(PinTries $tries): View
    {
        return view('staff.index', ['people' => Staff::query()->orderBy('number')->get(), 'roles' => Role::cases(), 'locked' => $tries->locked()]);
    }

    public function store(StaffRequest $request, SaveStaff $save): RedirectResponse
    {
        $staff = $save->handle(null, $request->fields(), $request->pin());

        return redirect()->route('staff')->with('done', "{$staff->name} can sign in as {$staff->number}.");
    }

    public function update(StaffRequest $request, Staff $staff, SaveStaff $save): RedirectResponse
    {
        $save->handle($staff, $request->fields(), $request->pin());

        return redirect()->route('staff')->with('done', 'Saved.');
    }

    public function unlock(Staff $staff, PinTries $tries): RedirectResponse
    {
        $tries->forget($staff->number);

        return redirect()->route('staff')->with('done', "{$staff->name} can sign in again.");
    }
}
