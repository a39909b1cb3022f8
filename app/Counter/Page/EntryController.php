<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\AddedLine;
use Elmstone\Counter\Lines\AddOneOff;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Lines\EntryText;
use Elmstone\Counter\Lines\UnknownScans;
use Elmstone\Counter\Parts\GiftCardsOnSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Parts\PayPlan;
use Elmstone\Counter\Parts\ShowCoupon;
use Elmstone\Counter\Parts\SupplyFromSlip;
use Elmstone\Counter\Parts\TakeUpQuote;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Layaways\FindLayaways;
use Elmstone\Orders\FindOrders;
use Elmstone\Quotes\Quote;
use Elmstone\Shop\House;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What the entry line adds. */
final class EntryController
{
    public function __construct(private readonly CounterPage $page)
    {
    }

    /**
     * What is named exactly, or was chosen from the list. A layaway's number puts a payment on it on the slip, a gift
     * card's pays with it, a coupon's takes its reduction off. What was scanned and is nothing stays on the slip as
     * that.
     */
    public function add(
        Request $request,
        string $slip,
        AddToSlip $add,
        UnknownScans $unknown,
        FindLayaways $layaways,
        PayLayaway $pay,
        SupplyFromSlip $supply,
        TakeUpQuote $takeUp,
        GiftCardsOnSlip $cards,
        ShowCoupon $coupons,
        PayPlan $plans,
    ): Response {
        $item = $request->filled('item') ? $request->integer('item') : null;
        $typed = $request->string('entry')->value();
        $quantity = $request->string('quantity', '1')->value();
        $isScan = $request->boolean('scanned');

        return $this->page->after($request, $slip, 'entry', 'entry', static function (Act $act) use (
            $slip, $add, $item, $typed, $quantity, $isScan, $unknown, $layaways, $pay, $supply, $takeUp, $cards,
            $coupons, $plans,
        ): AddedLine|Slip {
            if ($item === null && CardCode::looksLikeOne($typed)) {
                return $cards->use($slip, $act, $typed);
            }

            $layaway = $item === null ? $layaways->named($typed) : null;

            if ($layaway !== null) {
                return $pay->add($slip, $act, $layaway);
            }

            $quote = $item === null ? Quote::named($typed) : null;

            if ($quote !== null) {
                return $takeUp->scan($slip, $act, $quote);
            }

            $order = $item === null ? FindOrders::named($typed) : null;

            if ($order !== null) {
                return $supply->add($slip, $act, $order);
            }

            $plan = $item === null ? PayPlan::named($typed) : null;

            if ($plan !== null) {
                return $plans->handle($slip, $act, $plan);
            }

            try {
                return $add->handle($slip, $act, $typed, $item, $quantity);
            } catch (Refused $refused) {
                if ($refused->rule === 'not_found' && ShowCoupon::named($typed) !== null) {
                    return $coupons->handle($slip, $act, $typed);
                }

                return $refused->rule === 'not_found' && $isScan
                    ? $unknown->keep($slip, $act, $typed)
                    : throw $refused;
            }
        });
    }

    /** Something that was scanned and is in no list was taken away. */
    public function known(Request $request, string $slip, UnknownScans $unknown): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'slip',
            'scanned',
            static fn (Act $act): Slip => $unknown->drop($slip, $act, $request->string('scanned')->value()),
        );
    }

    public function oneOff(OneOffRequest $request, string $slip, AddOneOff $add, House $house): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'one-off',
            'price',
            static fn (Act $act) => $add->handle(
                $slip,
                $act,
                $request->description(),
                EntryText::quantity($request->string('quantity')->value()),
                $house->typedPrice($request->string('price')->value()),
                $request->integer('department_id'),
                $request->string('tax_class')->value(),
                $request->string('unknown')->value(),
                $request->consigned(),
            ),
        );
    }
}
