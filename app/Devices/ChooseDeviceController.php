<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Settings;
use Elmstone\Staff\Ability;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Which devices are used at this till: seen, and changed in one step when one fails. */
final readonly class ChooseDeviceController
{
    public function __construct(
        private DeviceChoices $choices,
        private AtTill $atTill,
        private Settings $settings,
    ) {
    }

    public function show(): View
    {
        $till = $this->atTill->till();
        $used = [];

        foreach (DeviceKind::cases() as $kind) {
            $used[$kind->value] = $this->choices->at($till, $kind)->id;
        }

        return view('devices.choose', [
            'till' => $till,
            'kinds' => DeviceKind::cases(),
            'beside' => $this->settings->tillsBeside($till),
            'used' => $used,
        ]);
    }

    public function choose(Request $request, #[CurrentUser] Staff $by): RedirectResponse
    {
        $kind = DeviceKind::tryFrom($request->string('kind')->value()) ?? abort(404);
        $forAll = $request->boolean('for_all') && $by->mayDo(Ability::Approve);

        try {
            $this->choices->choose($this->atTill->till(), $kind, $request->integer('uses'), $by, $forAll);
        } catch (Refused $refused) {
            return back()->withErrors([$kind->value => $refused->getMessage()]);
        }

        $till = $this->settings->till($request->integer('uses'));

        return back()->with('done', "{$kind->label()} of {$till->name} is used ".($forAll ? 'by everybody here'
            : 'by you here').' from now on.');
    }
}
