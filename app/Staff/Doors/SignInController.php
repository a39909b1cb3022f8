<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Staff\StaffPlaces;
use Elmstone\Support\Http\Navigation;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\MessageBag;
use Illuminate\Support\ViewErrorBag;

/** Signing in, handing the till to someone else, and signing out. */
final class SignInController
{
    public function __construct(
        private readonly CheckPin $checkPin,
        private readonly AtTill $atTill,
        private readonly Presence $presence,
        private readonly StaffPlaces $places,
    ) {
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

        try {
            $this->admit($request, $till);
        } catch (Refused $refused) {
            return redirect()
                ->back()
                ->with('change_refused', "{$refused->getMessage()} {$request->user()?->name} still serves.");
        }

        $this->atTill->choose($till);

        return redirect()->back();
    }

    /** The page asks for the PIN from now on, as if nobody had acted for a while. */
    public function lock(): Response
    {
        $this->presence->lock();

        return response()->noContent();
    }

    /** Whoever was here shows that they still are; the page goes on where it stood. */
    public function unlock(Request $request): Response|RedirectResponse
    {
        $staff = $request->user() instanceof Staff ? $request->user() : abort(403);

        try {
            $this->checkPin->handle($staff->number, $request->string('pin')->value(), $this->atTill->till()->id);
        } catch (Refused $refused) {
            return Navigation::is($request)
                ? response()->view(
                    'staff.locked',
                    [
                        'next' => $this->next($request),
                        'errors' => (new ViewErrorBag)->put(
                            'default',
                            new MessageBag(['refused' => $refused->getMessage()]),
                        ),
                    ],
                    422,
                )
                : response($refused->getMessage(), 422);
        }

        $this->presence->unlock();

        return Navigation::is($request) ? redirect()->to($this->next($request)) : response()->noContent();
    }

    /** Ends every session of theirs, this one too. */
    public function signOutEverywhere(Request $request): RedirectResponse
    {
        $staff = $request->user() instanceof Staff ? $request->user() : abort(403);
        $staff->endSessions();
        SecurityLog::write(SecurityEvent::SignedOutEverywhere, $staff);

        return $this->signOut($request);
    }

    /** Only ever to a page of ours. */
    private function next(Request $request): string
    {
        $next = $request->string('next')->value();

        return str_starts_with($next, url('/').'/') ? $next : url('/counter');
    }

    public function signOut(Request $request): RedirectResponse
    {
        $staff = $request->user();
        $staff instanceof Staff && SecurityLog::write(SecurityEvent::SignedOut, $staff);
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }

    /** @throws Refused works_elsewhere */
    private function assertWorksAt(Staff $staff, Till $till): void
    {
        if ($this->places->worksAt($staff, $till->location_id)) {
            return;
        }

        SecurityLog::write(SecurityEvent::Refused, $staff, 'does not work at this location', till: $till->id);
        $names = Location::query()->whereIn('id', array_keys($this->places->of($staff)))->orderBy('id')->pluck('name');

        throw Refused::because(
            'works_elsewhere',
            "{$staff->name} works at {$names->join(', ', ' and ')}. Sign in at a till there.",
        );
    }

    /** @throws Refused too_many, wrong_pin, locked, works_elsewhere */
    private function admit(Request $request, Till $till): void
    {
        $staff = $this->checkPin->handle(
            $request->string('number')->trim()->value(),
            $request->string('pin')->value(),
            $till->id,
        );
        $this->assertWorksAt($staff, $till);
        Auth::login($staff);
        $request->session()->regenerate();
        $this->presence->begin($staff);
        SecurityLog::write(SecurityEvent::SignedIn, $staff, till: $till->id);
    }
}
