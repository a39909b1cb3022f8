<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Parts\GiftCardsOnSlip;
use Elmstone\Counter\Parts\ShowCoupon;
use Elmstone\Counter\Settle\UseStoreCredit;
use Elmstone\Counter\Slip\Act;
use Elmstone\Shop\House;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Gift cards, store credit and coupons on a slip. */
final class CreditController
{
    public function __construct(private readonly CounterPage $page, private readonly House $house)
    {
    }

    public function sell(Request $request, string $slip, GiftCardsOnSlip $cards): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'gift-card',
            'worth',
            fn (Act $act) => $cards->sell(
                $slip,
                $act,
                $this->house->typedMoney($request->string('worth')->value()),
                $request->string('code')->value(),
            ),
        );
    }

    public function dropSold(Request $request, string $slip, int $place, GiftCardsOnSlip $cards): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'gift-card',
            'worth',
            static fn (Act $act) => $cards->dropSold($slip, $act, $place),
        );
    }

    public function use(Request $request, string $slip, GiftCardsOnSlip $cards): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'card_code',
            'card_code',
            static fn (Act $act) => $cards->use($slip, $act, $request->string('card_code')->value()),
        );
    }

    public function amount(Request $request, string $slip, int $place, GiftCardsOnSlip $cards): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "gift.{$place}",
            'amount',
            fn (Act $act) => $cards->amount(
                $slip,
                $act,
                $place,
                $this->house->typedMoney($request->string('amount')->value()),
            ),
        );
    }

    public function storeCredit(Request $request, string $slip, UseStoreCredit $use): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'store_credit_used',
            'store_credit_used',
            fn (Act $act) => $request->boolean('rest')
                ? $use->rest($slip, $act)
                : $use->handle($slip, $act, $this->house->typedMoney($request->string('store_credit_used')->value())),
        );
    }

    public function coupon(Request $request, string $slip, ShowCoupon $show): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'coupon',
            'coupon',
            static fn (Act $act) => $show->handle($slip, $act, $request->string('coupon')->value()),
        );
    }

    public function dropCoupon(Request $request, string $slip, int $coupon, ShowCoupon $show): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'coupon',
            'coupon',
            static fn (Act $act) => $show->drop($slip, $act, $coupon),
        );
    }
}
