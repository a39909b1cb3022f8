<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Shop\House;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What came by links, for the office; and how the shop wants them. */
final readonly class LinkPaymentController
{
    private const SHOWN = 100;

    public function __construct(private House $house)
    {
    }

    public function index(): View
    {
        return view('pay.list', [
            'payments' => LinkPayment::query()->with(['customer', 'document'])->orderByDesc('id')
                ->simplePaginate(self::SHOWN),
            'shop' => $this->house->shop(),
        ]);
    }

    public function seen(LinkPayment $payment, #[CurrentUser] Staff $by): RedirectResponse
    {
        $payment->state === LinkPayment::PAID && LinkPayment::query()->whereKey($payment->id)->whereNull('seen_by')
            ->update(['seen_by' => $by->id]);

        return redirect()->route('link-payments');
    }

    /** What nobody knew when they paid is asked again. */
    public function ask(LinkPayment $payment, PaysByLink $pay): RedirectResponse
    {
        $payment = $pay->settle($payment);

        return redirect()->route('link-payments')->with('done', match ($payment->state) {
            LinkPayment::PAID => "It was paid: {$payment->document?->label}.",
            LinkPayment::FAILED => "It came to nothing: {$payment->reason}",
            default => 'It is not known yet.',
        });
    }

    public function save(Request $request, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate(
            ['link_days' => ['required', 'integer', 'between:1,365']],
            ['link_days.*' => 'Type 1 to 365 days.'],
        );
        $this->house->shop()->update([
            'links_on' => $request->boolean('links_on'),
            'link_days' => $request->integer('link_days'),
            'links_may_less' => $request->boolean('links_may_less'),
        ]);
        SecurityLog::write(SecurityEvent::SettingChanged, $by, 'links to pay by: '.($request->boolean('links_on')
            ? "on, {$request->integer('link_days')} days" : 'off'));

        return redirect()->route('link-payments')->with('done', 'Kept; it holds for papers and mails from now on.');
    }

    public function void(#[CurrentUser] Staff $by): RedirectResponse
    {
        $shop = $this->house->shop();
        $shop->update(['link_epoch' => $shop->link_epoch + 1]);
        SecurityLog::write(SecurityEvent::SettingChanged, $by, 'all links to pay by made void');

        return redirect()->route('link-payments')->with('done', 'No link that was given out before leads anywhere.');
    }
}
