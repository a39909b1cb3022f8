<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Setup\Taxes\Examples;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** All that can be set, a page for each part, and where the terms of each matter are set. */
final readonly class SettingsController
{
    /** Pages that rooms have for their own terms: route, ability, words, what is set there. */
    private const ELSEWHERE = [
        ['till.terms', 'set-house-terms', 'Drawers', 'How they are counted, how far they may be off, whose they are'],
        ['layaways.terms', 'set-house-terms', 'Layaways and plans', 'Deposit, ladder, fees, reminders'],
        ['orders.terms', 'set-house-terms', 'Orders and quotes', 'Deposits, freight, days on which nothing is brought'],
        ['return-rules', 'set-house-terms', 'Return rules', 'How long goods may come back, and for how much'],
        ['surcharges', 'set-house-terms', 'Paying by card', 'Surcharges, signatures'],
        ['shares.rates', 'manage-shares', 'Commission', 'Rates, and when it is earned'],
        ['customers.types', 'edit-prices', 'Price levels', 'Customer types and their prices'],
        ['finance-charges', 'run-statements', 'Finance charges', 'Percent a month, days of grace'],
        ['letters', 'run-statements', 'Reminder letters', 'Levels, fees and words'],
        ['link-payments', 'take-payments', 'Links to pay by', 'Whether papers carry them, and how long they hold'],
        ['ledger.chart', 'see-ledger', 'Chart of accounts', 'Numbers and names of accounts'],
        ['till.devices', 'sell', 'Devices used', 'Terminal, printer, drawer and display of each till and person'],
    ];

    public function __construct(private Sections $sections)
    {
    }

    public function index(): View
    {
        return view('setup.settings', ['pages' => $this->sections->pages(), 'elsewhere' => self::ELSEWHERE]);
    }

    public function show(string $section): View
    {
        $page = $this->sections->pages()[$section] ?? abort(404);

        return view('setup.section', [
            'section' => $page,
            'now' => $page->now(),
            'examples' => Examples::ALL,
            'isOpen' => true,
        ]);
    }

    public function keep(
        Request $request,
        string $section,
        KeepSection $keep,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $page = $this->sections->pages()[$section] ?? abort(404);
        $keep->handle($page, $request->except('_token'), $by);

        return redirect()->route('settings.section', $section)->with('done', 'Kept. It holds from now on.');
    }
}
