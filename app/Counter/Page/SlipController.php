<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Post\PractiseSale;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\ClearSlip;
use Elmstone\Counter\Slip\DateSlip;
use Elmstone\Counter\Slip\DiscountSlip;
use Elmstone\Counter\Slip\NoteSlip;
use Elmstone\Counter\Slip\RestoreSlip;
use Elmstone\Counter\Slip\SetOwnTerms;
use Elmstone\Counter\Slip\ShareSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\TakeSlip;
use Elmstone\Counter\Slip\Undo;
use Elmstone\Support\TypedDate;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What is done to a slip as a whole. */
final class SlipController
{
    public function __construct(private readonly CounterPage $page)
    {
    }

    public function discount(Request $request, string $slip, DiscountSlip $discount): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'discount',
            'discount',
            static fn (Act $act) => $discount->handle($slip, $act, $request->string('discount')->value()),
        );
    }

    /** An exemption, a price level or a tax place for this sale only. */
    public function terms(Request $request, string $slip, SetOwnTerms $set): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'own-terms',
            'own_reason',
            static fn (Act $act): Slip => $set->handle(
                $slip,
                $act,
                $request->string('own_certificate')->value(),
                $request->integer('own_level'),
                $request->integer('own_place'),
                $request->string('own_reason')->value(),
            ),
        );
    }

    /** Takes back the last thing that was done to it. */
    public function undo(Request $request, string $slip, Undo $undo): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'slip',
            'undo',
            static fn (Act $act): Slip => $undo->handle($slip, $act),
        );
    }

    public function note(Request $request, string $slip, NoteSlip $note): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'slip-note',
            'slip_note',
            static fn (Act $act): Slip => $note->handle($slip, $act, $request->string('slip_note')->value()),
        );
    }

    /** Who sells it, and together with whom. */
    public function soldBy(Request $request, string $slip, ShareSlip $share): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'sold_by',
            'sold_by',
            static fn (Act $act): Slip => $share->handle($slip, $act, $request->string('sold_by')->value()),
        );
    }

    public function date(Request $request, string $slip, DateSlip $date): Response
    {
        return $this->page->after($request, $slip, 'date', 'date', static function (Act $act) use (
            $request,
            $slip,
            $date,
        ): Slip {
            $typed = $request->string('date')->value();
            $day = TypedDate::of($typed);

            return $typed !== '' && $day === null
                ? throw Refused::because('bad_date', "“{$typed}” is not a date.")
                : $date->handle($slip, $act, $day);
        });
    }

    public function clear(Request $request, string $slip, ClearSlip $clear): Response
    {
        $answer = $this->page->after(
            $request,
            $slip,
            'slip',
            'slip',
            static fn (Act $act) => $clear->handle($slip, $act),
        );

        return $answer->isOk() ? $answer->header('X-Location', route('counter')) : $answer;
    }

    public function restore(Request $request, string $slip, RestoreSlip $restore): RedirectResponse
    {
        $restore->handle($slip, $this->page->act($request));

        return redirect()->route('counter.show', $slip);
    }

    public function pickUp(Request $request, string $slip, TakeSlip $take): RedirectResponse
    {
        $take->handle($slip, $this->page->act($request));

        return redirect()->route('counter.show', $slip);
    }

    /** At a till for training it is practised. */
    public function post(
        Request $request,
        string $slip,
        PostSale $post,
        PractiseSale $practise,
        SlipDesk $desk,
    ): Response {
        return $this->page->after($request, $slip, 'post', 'post', static fn (Act $act): Slip => $act->till->training
            ? $practise->handle($slip, $act)
            : $desk->posted($post->handle($slip, $act)->slip, $act));
    }
}
