<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** Signing in, handing the till to someone else, and signing out. */
final class SignInController
{
    public function __construct(private readonly CheckPin $checkPin, private readonly AtTill $atTill)
    {
    }

    public function show(Request $request, House $house): View
    {
        return view('staff.sign-in', [
            'shop' => $house->shop(),
            'tills' => Till::query()->with('location')->orderBy('number')->get(),
            'till' => $request->cookie('till'),
        ]);
    }

    public function signIn(SignInRequest $request): RedirectResponse
    {
        $till = Till::query()->findOrFail($request->integer('till'));
        $this->admit($request, $till);
        $this->atTill->choose($till);

        return redirect()->intended('/')->withCookie(cookie()->forever('till', (string) $till->id));
    }

    /** The person serving changes; the till and its slips stay. */
    public function change(ChangePersonRequest $request): RedirectResponse
    {
        $till = $this->atTill->till();
        $this->admit($request, $till);
        $this->atTill->choose($till);

        return redirect()->back();
    }

    public function signOut(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }

    /** @throws Refused too_many, wrong_pin, locked */
    private function admit(Request $request, Till $till): void
    {
        Auth::login($this->checkPin->handle($request->string('number')->trim()->value(), $request->string('pin')->value(), $till->id));
        $request->session()->regenerate();
    }
}
