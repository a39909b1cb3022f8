<?php

declare(strict_types=1);

namespace Elmstone\Quotes\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\AgreedSlip;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Pricing\Margin;
use Elmstone\Quotes\EndQuote;
use Elmstone\Quotes\PricedAnew;
use Elmstone\Quotes\Quote;
use Elmstone\Quotes\QuotePaper;
use Elmstone\Quotes\Revisions;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** One quote: its page, its revisions side by side, its papers, what became of it. */
final class QuoteController
{
    public function __construct(
        private readonly House $house,
        private readonly QuotePaper $paper,
        private readonly EndQuote $end,
    ) {
    }

    public function show(Request $request, Quote $quote): View
    {
        $quote->load([
            'customer.type.priceLevel', 'location', 'staff', 'allLines.item', 'changesMade.staff',
        ]);
        $day = ShopTime::today();
        $reckoned = AgreedSlip::reckon($quote, $quote->lines(), $this->house->currency());
        $against = max(1, min($request->integer('against', $quote->revision - 1), $quote->revision - 1));

        return view('quotes.show', [
            'quote' => $quote,
            'day' => $day,
            'house' => $this->house,
            'reckoned' => $reckoned,
            'anew' => $quote->isExpired($day) ? PricedAnew::differing($quote, $day) : [],
            'against' => $against,
            'pairs' => $quote->revision > 1 ? Revisions::between($quote, $against, $quote->revision) : [],
            'margin' => Margin::of($reckoned->net, $this->cost($quote)),
            'reasons' => EndQuote::REASONS,
        ]);
    }

    public function lost(QuoteRequest $request, Quote $quote, #[CurrentUser] Staff $by): RedirectResponse
    {
        $typed = $request->string('reason')->trim()->value();
        $request->saidAtItsField(fn (): Quote => $this->end->lost(
            $quote->id,
            $typed === '' ? $request->string('other_reason')->trim()->value() : $typed,
            $by,
        ));

        return redirect()->route('quotes.show', $quote)->with('done', 'It counts as lost.');
    }

    public function later(QuoteRequest $request, Quote $quote, #[CurrentUser] Staff $by): RedirectResponse
    {
        $day = static fn (string $name): ?CarbonImmutable => $request->string($name)->value() === ''
            ? null
            : CarbonImmutable::parse($request->string($name)->value(), 'UTC');
        $request->saidAtItsField(fn (): Quote => $this->end->later(
            $quote->id,
            $day('follow_up_on'),
            $day('valid_until') ?? $quote->valid_until,
            $request->string('said')->trim()->value(),
            $by,
        ));

        return redirect()->route('quotes.show', $quote)->with('done', 'Noted.');
    }

    public function mail(QuoteRequest $request, Quote $quote): RedirectResponse
    {
        $to = $request->string('mail_to')->trim()->value();
        $this->paper->mail($quote, $to);

        return redirect()->route('quotes.show', $quote)->with('done', "It is mailed to {$to}.");
    }

    public function print(Quote $quote, AtTill $atTill): RedirectResponse
    {
        $this->paper->print($quote, $atTill->till());

        return back()->with('done', 'It went to the printer.');
    }

    public function pdf(Quote $quote): Response
    {
        return response($this->paper->quotePdf($quote), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$quote->label}.pdf\"",
        ]);
    }

    /** What it would cost the house now. */
    private function cost(Quote $quote): Money
    {
        return Money::sum(
            $quote->lines()->map(fn (AgreedLine $line): Money => $line->costNow($this->house->currency())),
            $this->house->currency(),
        );
    }
}
