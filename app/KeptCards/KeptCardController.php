<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** A customer’s cards, on their page. */
final readonly class KeptCardController
{
    public function __construct(private KeepCards $keep)
    {
    }

    public function keep(
        Request $request,
        Customer $customer,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $key = $request->string('key')->value();

        try {
            $card = $this->keep->keep(
                $customer,
                $atTill->till(),
                $by,
                Consent::tryFrom($request->string('consent')->value()),
                $request->string('card_name')->trim()->value(),
                Str::isUuid($key) ? $key : (string) Str::uuid(),
            );
        } catch (Refused $refused) {
            return back()->withInput()->withErrors(['consent' => $refused->getMessage()]);
        }

        return back()->with('done', ucfirst($card->words()).' is on file.');
    }

    public function remove(Customer $customer, CardOnFile $kept, #[CurrentUser] Staff $by): RedirectResponse
    {
        abort_unless($kept->customer_id === $customer->id, 404);
        $this->keep->remove($kept, $by);

        return back()->with('done', "The card ending {$kept->last_four} was taken off file.");
    }
}
