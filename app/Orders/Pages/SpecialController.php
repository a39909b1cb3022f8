<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Orders\Order;
use Elmstone\Orders\Waiting\BuySpecial;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Goods of an order that have no number are to be bought: of whom, and at what cost. */
final class SpecialController
{
    public function store(
        Request $request,
        Order $order,
        int $position,
        BuySpecial $buy,
        House $house,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $item = $buy->handle(
            $order->id,
            $request->integer('version'),
            $position,
            Supplier::query()->find($request->integer('supplier'))
                ?? self::refuse("supplier.{$position}", 'Choose whom it is bought of.'),
            self::cost($request, $position, $house),
            $request->string('their_code')->trim()->value(),
            $atTill->till(),
            $by,
        );

        return redirect()
            ->route('orders.show', $order)
            ->with('done', "It is {$item->code} now and stands under “To buy”.");
    }

    private static function cost(Request $request, int $position, House $house): UnitPrice
    {
        $typed = $request->string('expected_cost')->trim()->value();

        try {
            return $typed === '' ? self::refuse("cost.{$position}", 'Type what it will cost.')
                : $house->typedPrice($typed);
        } catch (Refused $refused) {
            self::refuse("cost.{$position}", $refused->getMessage());
        }
    }

    private static function refuse(string $field, string $words): never
    {
        throw ValidationException::withMessages([$field => $words]);
    }
}
