<?php

declare(strict_types=1);

namespace Elmstone\Held\Pages;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\PayOut\PayOutOrder;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/** What the pages of every kind of held money have in common. */
final class HeldPage
{
    private const MOST = 300;

    /** @return Collection<int, HeldEntry> the latest first, with their documents */
    public static function entries(?HeldAccount $account): Collection
    {
        return $account === null
            ? new Collection
            : $account->entries()->with('document')->reorder('id', 'desc')->limit(self::MOST)->get();
    }

    /** A pay-out as it was typed. */
    public static function order(
        HeldKind $kind,
        Customer $customer,
        Request $request,
        CheckApproval $check,
    ): PayOutOrder {
        $request->validate(['key' => ['required', 'uuid']]);
        $house = app(House::class);
        $from = $request->string('from')->value();

        return new PayOutOrder(
            $kind,
            $customer,
            $house->typedMoney($request->string('amount')->value()) ?? $house->money(0),
            TenderKind::tryFrom($request->string('way')->value()) ?? TenderKind::Cash,
            $request->string('reference')->trim()->value(),
            $request->string('reason')->trim()->value(),
            $request->string('key')->value(),
            $from === '' ? null : $from,
            $check->given($request),
        );
    }
}
