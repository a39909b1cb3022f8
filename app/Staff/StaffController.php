<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** Who works here, what they may do, and their PINs. */
final class StaffController
{
    public function index(): View
    {
        return view('staff.index', ['people' => Staff::query()->orderBy('number')->get(), 'roles' => Role::cases()]);
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

    public function unlock(Staff $staff): RedirectResponse
    {
        $staff->update(['failed_tries' => 0, 'locked_until' => null]);

        return redirect()->route('staff')->with('done', "{$staff->name} can sign in again.");
    }
}
