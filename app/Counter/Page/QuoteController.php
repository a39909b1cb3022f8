<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Counter\Parts\MakeQuote;
use Elmstone\Counter\Parts\TakeUpQuote;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Quotes\Quote;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The slip as a quote; and a quote taken up on a slip, or changed on one. */
final class QuoteController
{
    public function __construct(private readonly CounterPage $page, private readonly MakeQuote $quotes)
    {
    }

    public function begin(Request $request, string $slip): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'quote',
            'quote',
            fn (Act $act): Slip => $this->quotes->begin($slip, $act),
        );
    }

    public function drop(Request $request, string $slip): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'quote',
            'quote',
            fn (Act $act): Slip => $this->quotes->drop($slip, $act),
        );
    }

    public function terms(Request $request, string $slip): Response
    {
        $typed = [];

        foreach (['valid_until', 'follow_up_on', 'party', 'note'] as $name) {
            $request->has($name) && ($typed[$name] = $request->string($name)->value());
        }

        $name = (string) array_key_first($typed);

        return $this->page->after(
            $request,
            $slip,
            "quote.{$name}",
            $name,
            fn (Act $act): Slip => $this->quotes->terms($slip, $act, $typed),
        );
    }

    /** From its page, whole or in part, each changed price confirmed: a fresh slip with it. */
    public function takeUp(Request $request, Quote $quote, TakeUpQuote $take): RedirectResponse
    {
        $slip = (string) Str::uuid();
        $quantities = [];
        $confirmed = [];

        foreach ($request->array('quantity') as $position => $typed) {
            $plain = is_string($typed) && trim($typed) !== '' ? TypedNumber::plain(trim($typed)) : '0';
            $quantities[(int) $position] = $plain === '0' ? BigDecimal::zero() : Quantity::of($plain)->value;
        }

        foreach ($request->array('confirmed') as $position => $price) {
            is_string($price) && ($confirmed[(int) $position] = $price);
        }

        $take->take($slip, $this->page->act($request), $this->whole($quote), $quantities, $confirmed);

        return redirect()->route('counter.show', $slip);
    }

    /** A fresh slip with all of it, that becomes its next revision. */
    public function revise(Request $request, Quote $quote, TakeUpQuote $take): RedirectResponse
    {
        $slip = (string) Str::uuid();
        $take->revise($slip, $this->page->act($request), $this->whole($quote));

        return redirect()->route('counter.show', $slip);
    }

    private function whole(Quote $quote): Quote
    {
        return $quote->load(['customer.type.priceLevel', 'allLines.item']);
    }
}
