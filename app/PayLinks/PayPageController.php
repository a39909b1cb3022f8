<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Devices\PlaysTerminal;
use Elmstone\Shop\House;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The page behind a link, for who pays: nobody signs in, and nothing is said but what the link is about. */
final readonly class PayPageController
{
    public function __construct(private House $house, private PaysByLink $pay, private OnlineTill $online)
    {
    }

    public function show(string $code): View
    {
        $link = $this->link($code);
        $open = LinkPayment::openOf($link);
        $open === null || $this->pay->settle($open);
        $last = LinkPayment::query()->where('asks', $link->asks())->latest('ordinal')->with('document')->first();
        $now = PayableNow::of($link, $this->house) ?? abort(404);

        return view('pay.page', [
            'house' => $this->house,
            'shop' => $this->house->shop(),
            'code' => $code,
            'link' => $link,
            'now' => $now,
            'last' => $last,
            'mayLess' => $this->house->shop()->links_may_less,
            'plays' => PlaysTerminal::isOn(),
        ]);
    }

    public function pay(Request $request, string $code, PlaysTerminal $plays): RedirectResponse
    {
        $link = $this->link($code);

        try {
            $now = PayableNow::of($link, $this->house);
            $now === null || $plays->next($this->online->at($now->location), $request->string('plays')->value());
            $payment = $this->pay->handle($link, $this->amount($request));
        } catch (Refused $refused) {
            return redirect()->route('pay', $code)->withInput()->withErrors(['amount' => $refused->getMessage()]);
        }

        return redirect()->route('pay', $code)->with('tried', $payment->id);
    }

    private function amount(Request $request): ?Money
    {
        $typed = $request->string('amount')->trim()->value();

        return $typed === '' ? null : $this->house->typedMoney($typed) ?? $this->house->money(0);
    }

    private function link(string $code): PayLink
    {
        abort_unless($this->house->shop()->links_on, 404);

        return PayLink::read($code, $this->house) ?? abort(404);
    }
}
