<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Books\Drafts\Exempted;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Terms;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Layaways\Layaway;
use Elmstone\Orders\Order;
use Elmstone\Receivables\Accounts\AccountStanding;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shop\House;

/** Who a slip is for: what the Who band shows, and what goes on the document. */
final class SlipParty
{
    public function __construct(private readonly House $house)
    {
    }

    /**
     * Reads all that the page says of the customer.
     *
     * @param  Customer|null  $known somebody whose row this transaction has read already
     */
    public function draw(Slip $slip, ?Customer $known = null): void
    {
        $customer = $slip->customer_id;
        $slip->loadBecoming();

        if ($customer === null) {
            $slip->setRelation('customer', null)->setRelation('contact', null);
            [$slip->account, $slip->deposits, $slip->storeCredit] = [null, null, null];
            [$slip->paidOn, $slip->orders] = [[], []];

            return;
        }

        $known?->id !== $customer || $slip->setRelation('customer', $known);
        $slip->loadMissing(['customer.type.priceLevel', 'customer.contacts', 'customer.notes.staff', 'contact']);
        $account = HouseAccount::query()->where('customer_id', $customer)->first();
        $slip->account = $account === null ? null : $this->standing($account);
        $held = KeptFor::eachOfCustomer($customer, HeldKind::Deposit, HeldKind::StoreCredit);
        $slip->deposits = $held[HeldKind::Deposit->value];
        $slip->storeCredit = $held[HeldKind::StoreCredit->value]->total();
        $parts = $slip->layawayParts();
        $slip->paidOn = $parts === []
                ? []
                : Layaway::query()
                    ->with(['allInstalments', 'allLines.item', 'document'])
                    ->whereKey(array_keys($parts))
                    ->get()
                    ->keyBy('id')
                    ->all();
        $orders = $slip->orderParts();
        $slip->orders = $orders === []
                ? []
                : Order::query()
                    ->with(['progress', 'allLines.item', 'customer', 'location'])
                    ->whereKey(array_keys($orders))
                    ->get()
                    ->keyBy('id')
                    ->all();
    }

    public function standing(HouseAccount $account): AccountStanding
    {
        return AccountStanding::of($account, $this->house);
    }

    /** What the customer need not pay on the slip's day. */
    public static function exempted(Slip $slip): ?Exempted
    {
        $customer = $slip->customer;
        $theirs = $customer?->isExemptOn($slip->day()) === true;

        if ($slip->own_certificate === null && ! $theirs) {
            return null;
        }

        return new Exempted(
            $slip->own_certificate ?? $customer->certificate ?? '',
            $slip->own_certificate === null ? $customer?->certificate_expires?->format('Y-m-d') ?? '' : '',
            $slip->own_certificate === null ? $customer->exempt ?? [] : [Exempted::EVERYTHING],
            $slip->taxPlace()->leviedOn($slip->day()),
        );
    }

    /**
     * @param  Terms|null  $terms of what is charged to the account; null: nothing is
     */
    public static function of(Slip $slip, ?Terms $terms, ?Money $balanceBefore): Party
    {
        return new Party(
            $slip->customer_id,
            $slip->customer_name,
            $slip->purchase_order,
            $slip->job,
            $slip->contact->name ?? '',
            self::exempted($slip),
            $terms === null ? null : $slip->day()->setDateFrom($terms->dueOn($slip->day())),
            $terms?->words() ?? '',
            $balanceBefore,
            $slip->ownTerms(),
        );
    }
}
