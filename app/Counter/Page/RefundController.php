<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Settle\Cards\RefundCard;
use Elmstone\Counter\Settle\ChooseRefund;
use Elmstone\Counter\Slip\Act;
use Elmstone\Shop\House;
use Elmstone\Support\Http\TypedWay;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** By which ways the money of goods that come back goes out. */
final class RefundController
{
    public function __construct(private readonly CounterPage $page, private readonly House $house)
    {
    }

    public function way(Request $request, string $slip, ChooseRefund $choose): Response
    {
        $way = $request->string('way', TenderKind::Cash->value)->value();

        return $this->page->after(
            $request,
            $slip,
            "refund.{$way}",
            'amount',
            fn (Act $act) => $request->boolean('rest')
                ? $choose->rest($slip, $act, $way)
                : $choose->way($slip, $act, $way, $this->house->typedMoney($request->string('amount')->value())),
        );
    }

    public function reference(Request $request, string $slip, ChooseRefund $choose): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'refund.reference',
            'back_reference',
            static fn (Act $act) => $choose->reference($slip, $act, $request->string('back_reference')->value()),
        );
    }

    public function ontoCard(Request $request, string $slip, ChooseRefund $choose): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'refund.back_card',
            'back_card',
            static fn (Act $act) => $choose->card($slip, $act, $request->string('back_card')->value()),
        );
    }

    public function creditTo(Request $request, string $slip, ChooseRefund $choose): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'refund.credit_to',
            'credit_to',
            static fn (Act $act) => $choose->creditTo($slip, $act, $request->string('credit_to')->value() === 'oldest'),
        );
    }

    /** By another money way than it came, allowed by somebody else with the reason. */
    public function otherWay(Request $request, string $slip, ChooseRefund $choose): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'refund.other',
            'way',
            static fn (Act $act) => $choose->otherWay(
                $slip,
                $act,
                TypedWay::of($request, 'way', TenderKind::Cash),
            ),
        );
    }

    public function asItCame(Request $request, string $slip, ChooseRefund $choose): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'refund.as-it-came',
            'way',
            static fn (Act $act) => $choose->asItCame($slip, $act),
        );
    }

    public function card(Request $request, string $slip, RefundCard $refund): Response
    {
        $authorisation = $request->string('authorisation')->value();

        return $this->page->after(
            $request,
            $slip,
            "refund.card:{$authorisation}",
            'amount',
            fn (Act $act) => $refund->handle(
                $slip,
                $act,
                $authorisation,
                $this->house->typedMoney($request->string('amount')->value()),
                $request->filled('seen') ? $request->integer('seen') : null,
                $request->boolean('more'),
            ),
        );
    }
}
