<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Customers\Customer;
use Elmstone\Orders\Order;
use Elmstone\Paper\Payable;
use Elmstone\Plans\Plan;
use Elmstone\Plans\PlanPart;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/** What a link asks for as it stands now: whose it is, in words, and how much of it is left to pay. */
final readonly class PayableNow
{
    /**
     * @param  string  $words "Invoice INV-000123 of 12 Mar 2027"
     * @param  Money  $left of what the link asks for; nothing: it is paid
     * @param  int  $location where it is paid to
     */
    private function __construct(
        public PayLink $link,
        public Customer $customer,
        public string $words,
        public Money $left,
        public int $location,
        public ?Order $order = null,
        public ?Plan $plan = null,
    ) {
    }

    /** Null: there is no such thing. */
    public static function of(PayLink $link, House $house): ?self
    {
        return match ($link->what) {
            Payable::Account => self::account($link, $house),
            Payable::Invoice => self::item($link, $house),
            Payable::PlanPart => self::part($link, $house),
            Payable::Order => self::order($link, $house),
        };
    }

    private static function account(PayLink $link, House $house): ?self
    {
        $customer = Customer::query()->find($link->id);
        $customer = $customer->mergedInto ?? $customer;
        $account = $customer === null ? null : HouseAccount::query()->where('customer_id', $customer->id)->first();

        return $customer === null || $account === null ? null : new self(
            $link,
            $customer,
            "Account {$customer->number}",
            self::atMost($link, $account->balance->orNothing(), $house),
            self::first(),
        );
    }

    private static function item(PayLink $link, House $house, ?Plan $plan = null): ?self
    {
        $item = OpenItemRecord::query()->where('kind', ItemKind::Charge)->find($link->id);
        $customer = $item === null ? null : Customer::query()->find($item->customer_id);

        return $item === null || $customer === null ? null : new self(
            $link,
            $customer,
            $plan === null ? "Invoice {$item->label} of ".Show::date($item->business_date)
                : "Payment plan {$plan->label}, the part due ".Show::date($item->due_date),
            self::atMost($link, $plan === null ? $item->open->minus($item->toValue(ShopTime::today())->discount)
                : $item->open, $house),
            self::first(),
            plan: $plan,
        );
    }

    private static function part(PayLink $link, House $house): ?self
    {
        $part = PlanPart::query()->where('document_id', $link->id)->first();
        $plan = $part === null ? null : Plan::query()->with(['customer.type.priceLevel', 'parts.item'])
            ->find($part->plan_id);

        return $plan === null ? null : self::item($link, $house, $plan);
    }

    private static function order(PayLink $link, House $house): ?self
    {
        $order = Order::query()->with(['customer.type.priceLevel', 'progress', 'allLines.item', 'location', 'account'])
            ->find($link->id);

        return $order === null ? null : new self(
            $link,
            $order->customer,
            "Order {$order->label} of ".Show::date($order->made_on),
            $order->isOpen() && ! $order->is_charged ? self::atMost($link, $order->toSettle(), $house)
                : $house->money(0),
            $order->location_id,
            order: $order,
        );
    }

    /** No more by one link than it asks for, whatever came by it before. */
    private static function atMost(PayLink $link, Money $open, House $house): Money
    {
        $paid = Money::sum(
            LinkPayment::query()->where('asks', $link->asks())->where('state', LinkPayment::PAID)->get()
                ->pluck('amount'),
            $house->currency(),
        );

        return Money::min($open, $link->amount->minus($paid))->orNothing();
    }

    private static function first(): int
    {
        return OnlineTill::first();
    }
}
