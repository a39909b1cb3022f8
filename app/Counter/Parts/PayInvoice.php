<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Shop\House;

/** Puts an open invoice of the slip's customer on the slip: what is paid towards the account meets it first. */
final class PayInvoice
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house)
    {
    }

    /** @throws Refused not_open_item, invoice_twice */
    public function handle(string $slipKey, Act $act, int $document): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($document): void {
            $item = $slip->customer_id === null
                ? null
                : AccountItems::open($slip->customer_id, ItemKind::Charge, $this->house, $slip->day())
                    ->records
                    ->firstWhere('document_id', $document);
            $item ?? throw Refused::because('not_open_item', 'That is not open on this customer’s account.');
            $chosen = $slip->on_items ?? [];
            in_array($document, $chosen, true)
                && throw Refused::because('invoice_twice', "{$item->label} is being paid on this slip already.");
            $value = $item->toValue($slip->day());
            $due = $slip->leaves_discount ? $value->open : $value->open->minus($value->discount);
            $slip->forceFill([
                'on_account' => ($slip->on_account ?? $this->house->money(0))->plus($due),
                'on_items' => [...$chosen, $document],
                'plan_id' => null,
            ]);
        });
    }
}
