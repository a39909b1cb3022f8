<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** How drawers are counted: whether blind, how far off they may be, and whose they are. */
final class TermsController
{
    public function show(House $house): View
    {
        return view('tills.terms', [
            'shop' => $house->shop(),
            'house' => $house,
            'tills' => Till::query()->with('location')->orderBy('number')->get(),
        ]);
    }

    public function save(TermsRequest $request, House $house, #[CurrentUser] Staff $by): RedirectResponse
    {
        $shop = $house->shop();
        $words = static fn (): string => ($shop->blind_counts ? 'blind' : 'not blind')
            .", note over {$shop->note_over->toString()}, two over {$shop->witness_over->toString()}";
        $before = $words();
        $shop->update([
            'blind_counts' => $request->boolean('blind_counts'),
            'note_over' => $request->tolerance('note_over'),
            'witness_over' => $request->tolerance('witness_over'),
        ]);
        SecurityLog::write(SecurityEvent::SettingChanged, $by, "drawers: {$before} → {$words()}");

        return redirect()->route('till.terms')->with('done', 'Kept.');
    }

    /** Whether each who works at a till has a drawer of their own. */
    public function drawer(Request $request, SetDrawer $set, int $till, #[CurrentUser] Staff $by): RedirectResponse
    {
        $changed = $set->handle($till, $request->boolean('per_person'));
        $words = "{$changed->name} has ".($changed->drawer_per_person ? 'a drawer for each person.' : 'one drawer.');
        SecurityLog::write(SecurityEvent::SettingChanged, $by, $words);

        return redirect()->route('till.terms')->with('done', $words);
    }
}
