<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Shop\SettingRecord;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Rights;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** What each role may do. */
final readonly class RightsController
{
    public function __construct(private Rights $rights)
    {
    }

    public function show(): View
    {
        $areas = [];

        foreach (Ability::cases() as $ability) {
            $areas[$ability->area()][] = $ability;
        }

        return view('setup.rights', ['areas' => $areas, 'roles' => Role::cases(), 'rights' => $this->rights]);
    }

    public function keep(Request $request, #[CurrentUser] Staff $by): RedirectResponse
    {
        $typed = $request->input('may');
        $typed = is_array($typed) ? $typed : [];
        DB::transaction(function () use ($typed, $by): void {
            foreach (Role::cases() as $role) {
                $wanted = is_array($typed[$role->value] ?? null) ? array_values($typed[$role->value]) : [];
                $may = array_values(array_filter(
                    Ability::cases(),
                    static fn (Ability $ability): bool => in_array($ability->value, $wanted, true),
                ));
                $changed = $this->rights->keep($role, $may);

                foreach ($changed === [] ? [] : [$changed] as $one) {
                    SettingRecord::write("Rights of {$role->label()}", $one, $by->id);
                    SecurityLog::write(
                        SecurityEvent::RightsChanged,
                        $by,
                        "{$role->label()}: ".implode(', ', array_map(
                            static fn (string $what, array $change): string => "{$change[1]} {$what}",
                            array_keys($one),
                            array_values($one),
                        )),
                    );
                }
            }
        });

        return redirect()->route('rights')->with('done', 'Kept. It holds from the next page each of them opens.');
    }
}
