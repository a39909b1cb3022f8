<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\PriceAgain;
use Elmstone\Customers\Customer;
use Illuminate\Support\Facades\DB;

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
            throw Refused::because(
                'customer_merged',
                "{$customer->name} was merged into another customer. Choose that one.",
            );
        }

        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($customer): void {
            $slip->customer_id === $customer?->id || Undo::customer($slip);
            $this->place($slip, $customer);
        });
    }

    /**
     * Within a change of the slip.
     *
     * @throws Refused not_theirs where something comes back on it that another customer bought
     */
    public function place(Slip $slip, ?Customer $customer): void
    {
        $this->assertTheirs($slip, $customer);

        if (
            $slip->customer_id !== null
            && $slip->customer_id !== $customer?->id
            && in_array($slip->becomes, [Becomes::Layaway, Becomes::Order], true)
        ) {
            throw Refused::because(
                'held_for',
                "This slip is {$slip->becomes->words()} for {$slip->customer_name}. Choose “Sale” in Settle first, or "
                    .'begin another slip.',
            );
        }

        $slip->becomes === Becomes::Layaway && $slip->turnInto(Becomes::Sale);
        $slip->becomesSale() && $slip->lines()->whereNull('department_id')->delete();
        $slip->layawayParts() === [] || $slip->keepParts(PartKind::Layaway, []);
        $slip->orderParts() === [] || $slip->keepParts(PartKind::Order, []);
        $slip
            ->forceFill([
                'customer_id' => $customer?->id,
                'customer_name' => $customer->name ?? '',
                'contact_id' => null,
                'purchase_order' => '',
                'job' => '',
                'charge' => null,
                'on_account' => null,
                'leaves_discount' => false,
                'plan_id' => null,
                ...SetOwnTerms::NONE,
                'on_items' => null,
                'deposit_in' => null,
                'deposit_for' => '',
                'deposit_used' => null,
                'store_credit_used' => null,
                'back' => $slip->back === null ? null : [],
                'mail_to' => $customer->mail ?? '',
            ])
            ->save();
        $slip->setRelation('customer', $customer?->loadMissing('type.priceLevel'));
        $slip->forgetPriceTerms();
        PriceAgain::all($slip);
    }

    /** What was bought in somebody's name comes back in it. */
    private function assertTheirs(Slip $slip, ?Customer $customer): void
    {
        $buyer = $slip->takesBack()
            ? DB::table('documents as d')
                ->join('customers as c', 'c.id', '=', 'd.customer_id')
                ->whereIn('d.id', ReturnOnSlip::query()->where('slip_id', $slip->id)->select('origin_document_id'))
                ->first(['c.id', 'c.merged_into_id', 'd.label', 'c.name'])
            : null;

        if ($buyer !== null && (int) ($buyer->merged_into_id ?? $buyer->id) !== $customer?->id) {
            throw Refused::because(
                'not_theirs',
                "{$buyer->label} was sold to {$buyer->name} and comes back on this slip. Take that line off first.",
            );
        }
    }
}
