<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Customers\Customer;

/** Puts a customer on the slip, or takes them off: prices, discounts and tax follow; what was typed by hand stays. */
final class PutCustomer
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    /**
     * @param  Customer|null  $customer null: a passer-by after all
     *
     * @throws Refused customer_merged
     */
    public function handle(string $slipKey, Act $act, ?Customer $customer): Slip
    {
        if ($customer?->isMerged() === true) {
            throw Refused::because('customer_merged', "{$customer->name} was merged into another customer. Choose that one.");
        }

        return $this->desk->change($slipKey, $act, fn (Slip $slip) => $this->place($slip, $customer));
    }

    /** Within a change of the slip. */
    public function place(Slip $slip, ?Customer $customer): void
    {
        SlipHold::query()->whereKey($slip->id)->delete();
        $slip->lines()->whereNull('department_id')->delete();
        $slip->forceFill([
            'customer_id' => $customer?->id, 'customer_name' => $customer->name ?? '', 'contact_id' => null, 'purchase_order' => '', 'job' => '',
            'charge' => null, 'charge_approval_id' => null, 'charge_approved_for' => '', 'charge_approved_over' => 0, 'on_account' => null,
            'deposit_in' => null, 'deposit_for' => '', 'deposit_used' => null, 'layaways' => null,
            'mail_to' => $customer->mail ?? '',
        ])->save();
        $slip->setRelation('customer', $customer?->loadMissing('type.priceLevel'));
        $slip->forgetPriceTerms();
        $this->priceAgain($slip);
    }

    private function priceAgain(Slip $slip): void
    {
        $slip->load('lines.item');
        $slip->priceTerms()?->preload($slip->lines->pluck('item_id')->filter()->map(static fn (mixed $id): int => is_int($id) ? $id : 0)->all());

        foreach ($slip->lines as $line) {
            if ($line->item !== null && $line->price_rule !== PriceRule::Typed) {
                $line->update(LinePricing::afresh($line->item, Quantity::of($line->quantity), $slip, $line->standing_discount || $line->takesNoDiscountYet()));
            }
        }
    }
}
