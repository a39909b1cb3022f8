<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Setup\Taxes\Examples;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** From empty to open, step by step; each can be left, and is found again as it was kept. */
final readonly class SetUpController
{
    public function __construct(private Sections $sections)
    {
    }

    public function index(Request $request): View|RedirectResponse
    {
        if ($request->query('key') !== null) {
            return SetUpKey::show($request, $request->string('key')->value()) ? redirect()->route('setup')
                : redirect()->route('setup')->withErrors(['key' => 'That is not the key.']);
        }

        if (! SetUpKey::isShown($request)) {
            return view('setup.key', ['isSet' => SetUpKey::isSet()]);
        }

        $next = $this->next();

        return $next === null ? view('setup.ready', $this->frame(null) + [
            'owner' => Staff::query()->where('role', Role::Owner)->orderBy('id')->first(),
            'practice' => Till::query()->where('training', true)->orderBy('number')->first(),
        ])
            : redirect()->route('setup.step', $next);
    }

    public function key(Request $request): RedirectResponse
    {
        return SetUpKey::show($request, $request->string('key')->trim()->value()) ? redirect()->route('setup')
            : redirect()->route('setup')->withErrors(['key' => 'That is not the key.']);
    }

    public function show(Request $request, string $step): View|RedirectResponse
    {
        $section = $this->sections->steps()[$step] ?? abort(404);

        if ($step !== 'shop' && ! Shop::query()->exists()) {
            return redirect()->route('setup');
        }

        $example = Examples::of($request->string('example')->value());

        return view('setup.step', $this->frame($step) + [
            'section' => $section,
            'now' => $step === 'taxes' && $example !== null ? [...$section->now(), ...$example] : $section->now(),
            'examples' => Examples::ALL,
            'isOpen' => false,
        ]);
    }

    public function keep(Request $request, string $step, KeepSection $keep): RedirectResponse
    {
        $section = $this->sections->steps()[$step] ?? abort(404);
        $keep->handle($section, $request->except('_token'), null);

        $next = $this->after($step);

        return $next === null ? redirect()->route('setup') : redirect()->route('setup.step', $next);
    }

    public function open(Request $request, OpenShop $open): RedirectResponse
    {
        $practice = Till::query()->where('training', true)->orderBy('number')->value('id');
        $open->handle();
        $request->session()->forget('set_up_key');

        return redirect('/sign-in')
            ->with('done', 'The shop is open. Sign in as its owner'
                .($practice === null ? '.' : ': at the practice till a sale can be tried, and nothing is posted.'))
            ->withCookie(cookie()->forever('till', is_scalar($practice) ? (string) $practice : ''));
    }

    /** @return array{steps: array<string, Section>, kept: list<string>, here: string|null} */
    private function frame(?string $here): array
    {
        return ['steps' => $this->sections->steps(), 'kept' => $this->kept(), 'here' => $here];
    }

    /** @return list<string> */
    private function kept(): array
    {
        return Shop::query()->first()->set_up ?? [];
    }

    /** The first step that was not kept; null: all were. */
    private function next(): ?string
    {
        $left = array_values(array_diff(array_keys($this->sections->steps()), $this->kept()));

        return $left[0] ?? null;
    }

    /** The step after one; after the last, what is left; null: nothing is. */
    private function after(string $step): ?string
    {
        $keys = array_keys($this->sections->steps());

        return $keys[(int) array_search($step, $keys, true) + 1] ?? $this->next();
    }
}
