<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Receivables\Spread;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Shop\House;

/** What a slip pays towards the house account: which items it meets, and what settlement discount it earns. */
final readonly class TowardsAccount
{
    private function __construct(public AccountItems $items, public Spread $spread, public bool $earnsDiscount)
    {
    }

    /** Null where it pays nothing towards an account. What is posted is asked for with the account locked. */
    public static function of(Slip $slip, House $house): ?self
    {
        if ($slip->account === null || $slip->customer_id === null || $slip->on_account?->isPositive() !== true) {
            return null;
        }

        $items = AccountItems::open($slip->customer_id, ItemKind::Charge, $house, $slip->day());
        $spread = self::spread($slip, $items, $house);

        return $slip->leaves_discount
            ? new self(
                $items,
                self::spread($slip, $items->withoutDiscounts(), $house),
                $spread->discount()->isPositive(),
            )
            : new self($items, $spread, $spread->discount()->isPositive());
    }

    /**
     * @param  list<int>  $documents
     * @return list<string> how they are called, those that are still open
     */
    public function firstOn(array $documents): array
    {
        return array_values($this->items->records->whereIn('document_id', $documents)->pluck('label')->all());
    }

    private static function spread(Slip $slip, AccountItems $items, House $house): Spread
    {
        $amount = $slip->on_account ?? $house->money(0);

        $first = $slip->plan_id === null ? $slip->on_items ?? [] : PayPlan::parts($slip->plan_id);

        return $first === [] ? $items->spread($amount) : $items->spreadFirst($amount, $first);
    }
}
