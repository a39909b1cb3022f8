<?php

declare(strict_types=1);

namespace Elmstone\Held\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\HeldFor;
use Elmstone\Held\PayOut\PayOutOrder;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Support\Http\TypedWay;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Show;
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

    public static function about(string $what, House $house, CarbonImmutable $day): string
    {
        return "{$what}, as of ".Show::date($day)." · {$house->currency()->code}";
    }

    /** @return list<Column<HeldFor>> whose it is, leading to their page */
    public static function customer(string $route): array
    {
        $link = static fn (HeldFor $row): string => route($route, $row->number);

        return [
            Column::code('Customer', 'customer', static fn (HeldFor $row): int => $row->number, $link),
            Column::text('Name', 'name', static fn (HeldFor $row): string => $row->name)->leading($link),
        ];
    }

    /** @return list<Column<mixed>> what is the same in every row of a file */
    public static function alike(House $house, CarbonImmutable $day): array
    {
        return [
            Column::inFile('currency', static fn (): string => $house->currency()->code),
            Column::inFile('as of', static fn (): CarbonImmutable => $day),
        ];
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
            TypedWay::of($request, 'way', TenderKind::Cash),
            $request->string('reference')->trim()->value(),
            $request->string('reason')->trim()->value(),
            $request->string('key')->value(),
            $from === '' ? null : $from,
            $check->given($request),
        );
    }
}
