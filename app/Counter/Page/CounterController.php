<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Customers\Customer;
use Elmstone\Shop\Morning;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** The counter page. */
final class CounterController
{
    public function __construct(private readonly CounterPage $page)
    {
    }

    /**
     * Where this person left off, as long as it waits at this till; or a fresh slip. Others that wait are in the tabs.
     */
    public function index(AtTill $atTill, Morning $morning, #[CurrentUser] Staff $staff): RedirectResponse
    {
        app()->terminating(static fn () => $morning->begin());
        $last = $staff->last_slip !== null
                ? Slip::query()
                    ->where('key', $staff->last_slip)
                    ->where('till_id', $atTill->till()->id)
                    ->where('state', SlipState::Open)
                    ->value('key')
                : null;

        return redirect()->route('counter.show', $last ?? (string) Str::uuid());
    }

    public function fresh(): RedirectResponse
    {
        return redirect()->route('counter.show', (string) Str::uuid());
    }

    /** A fresh slip with this customer on it. */
    public function sellTo(Request $request, Customer $customer, PutCustomer $put): RedirectResponse
    {
        $slip = (string) Str::uuid();
        $put->handle($slip, $this->page->act($request), $customer);

        return redirect()->route('counter.show', $slip);
    }

    public function show(Request $request, string $slip): View|RedirectResponse
    {
        $data = $this->page->whole($request, $slip, $this->page->act($request));

        return $data['slip'] instanceof Slip && $data['slip']->state === SlipState::Cleared
            ? redirect()->route('counter')
            : view('counter.show', $data);
    }

    public function margin(Request $request, string $slip): View
    {
        return view('counter.margin', $this->page->whole($request, $slip, $this->page->act($request)));
    }
}
