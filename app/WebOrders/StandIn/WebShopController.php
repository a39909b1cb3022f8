<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\StandIn;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Customers\Customer;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** The page to play a web shop. */
final class WebShopController
{
    private const ROWS = 4;

    public function show(): View
    {
        return view('web-orders.web-shop', ['moods' => WebShopMood::cases(), 'rows' => self::ROWS]);
    }

    public function place(
        Request $request,
        WebShop $shop,
        ItemSearch $search,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(
            ['mood' => ['required', Rule::enum(WebShopMood::class)], 'customer' => ['required', 'integer']],
            ['customer.*' => 'Type the number of the customer who buys.'],
        );
        $customer = Customer::query()->with('type.priceLevel')->where('number', $request->integer('customer'))->first()
            ?? throw ValidationException::withMessages(['customer' => 'There is no such customer.']);
        $answer = $shop->place(
            $customer,
            $this->goods($request, $search),
            $request->boolean('brought'),
            WebShopMood::from($request->string('mood')->value()),
            $atTill->till(),
            $by,
        );

        return redirect()
            ->route('devices.web-shop')
            ->withInput()
            ->with('status', $answer->getStatusCode())
            ->with('answer', mb_substr((string) $answer->getContent(), 0, 20000));
    }

    /** @return non-empty-list<array{Item, Quantity}> */
    private function goods(Request $request, ItemSearch $search): array
    {
        $goods = [];

        foreach (range(0, self::ROWS - 1) as $row) {
            $code = $request->string("rows.{$row}.code")->trim()->value();

            if ($code === '') {
                continue;
            }

            try {
                $goods[] = [
                    $search->exact($code)
                        ?? throw Refused::because('not_found', "No item has the code or barcode “{$code}”."),
                    Quantity::of(TypedNumber::plain($request->string("rows.{$row}.many")->trim()->value() ?: '1')),
                ];
            } catch (Refused $refused) {
                throw ValidationException::withMessages(["rows.{$row}" => $refused->getMessage()]);
            }
        }

        return $goods === []
            ? throw ValidationException::withMessages(['rows.0' => 'Type at least one code.'])
            : $goods;
    }
}
