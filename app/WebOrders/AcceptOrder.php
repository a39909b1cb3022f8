<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxAsAgreed;
use Elmstone\Agreements\TaxOfDay;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Books\LineColumns;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Customers\Customer;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Orders\NewOrder;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Orders\OrderSource;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Orders\Supply\SupplyCharge;
use Elmstone\Orders\TakeOrder;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Ramsey\Uuid\Uuid;

/**
 * Makes an order of what was sent and matched: charged to the account where there is one, as far as it is allowed, else
 * paid when the goods leave. Inside a transaction, under the lock of the web order.
 */
final readonly class AcceptOrder
{
    public function __construct(
        private House $house,
        private Ledger $accounts,
        private StockLedger $stock,
        private TakeOrder $take,
        private OrderLedger $orders,
        private OrderTerms $terms,
        private SupplyCharge $charge,
        private HandBack $approvals,
    ) {
    }

    /**
     * @throws Refused what TakeOrder refuses, on_stop, and what needs approval: beyond what the account allows, their
     *     price below the lowest
     */
    public function handle(WebOrder $web, Matched $matched, Staff $by, ?GivenApproval $given = null): Order
    {
        $customer = $matched->customer ?? throw Refused::because('no_customer', 'Nobody knows who buys.');
        $account = $this->accounts->lockIfAny($customer->id);
        $location = $web->sender->location;
        $moving = new GoodsMoving;

        foreach ($matched->lines as $line) {
            $moving->out($line->item->id, $location->id);
        }

        $costs = $this->stock->lock($moving);
        $new = $this->newOrder($web, $matched, $customer, $location, $account !== null, $by);
        $order = $this->take->handle($new, $account);
        $order->setRelation('customer', $customer);
        $this->approvals->allow($by, $given, [
            ...$this->charge->needs($order, $order->total, $account, 'web'),
            ...$this->prices($order, $matched, $costs),
        ]);
        $this->orders->record(
            $order, $by, "From {$web->sender->name} as {$web->number}", $this->house->money(0),
        );

        return $order;
    }

    private function newOrder(
        WebOrder $web,
        Matched $matched,
        Customer $customer,
        Location $location,
        bool $isCharged,
        Staff $by,
    ): NewOrder {
        $incoming = $matched->incoming;
        $lines = $this->lines($matched, $location);
        $tax = $this->tax($customer, $location);
        $total = $this->total($lines, $tax);
        $least = $isCharged ? $this->house->money(0) : $total->percent($this->terms->leastDeposit(OrderSource::Web));

        return new NewOrder(
            Uuid::uuid5(Uuid::NAMESPACE_OID, "web order {$web->id}")->toString(),
            $location->id,
            $customer->id,
            $by->id,
            ShopTime::today(),
            $lines,
            [],
            $tax,
            null,
            $total,
            $this->house->money(0),
            OrderSource::Web,
            $isCharged,
            $matched->wantedOn,
            leastDeposit: $least,
            deliverTo: $incoming->deliverTo,
            note: $incoming->note,
            purchaseOrder: mb_substr($incoming->reference !== '' ? $incoming->reference : $incoming->number, 0, 40),
            buyer: $incoming->contact,
            theirNumber: $incoming->number,
        );
    }

    /** @return list<AgreedLine> in their order, freight last */
    private function lines(Matched $matched, Location $location): array
    {
        $lines = [];

        foreach ($matched->lines as $line) {
            $lines[] = $line->agreed()->forceFill(['way' => $matched->way->value, 'from_id' => $location->id]);
        }

        if ($matched->freight !== null) {
            $lines[] = $this->freight($matched->freight, $matched->way);
        }

        return $lines;
    }

    private function freight(Money $charge, OrderWay $way): AgreedLine
    {
        return new AgreedLine([
            'item_id' => null,
            'code' => LineColumns::FREIGHT,
            'description' => $way === OrderWay::Parcel ? 'Carriage' : 'Delivery',
            'department_id' => null,
            'quantity' => '1',
            'unit' => 'each',
            'unit_price' => $charge->toString(),
            'price_per' => 1,
            'price_rule' => PriceRule::Typed,
            'list_price' => $charge->toString(),
            'discount_percent' => null,
            'discount_amount' => null,
            'may_discount' => false,
            'tax_class' => $this->terms->freightTaxClass(),
            'cost' => null,
            'note' => '',
            'approval_id' => null,
            'serials' => null,
            'sharing_id' => null,
            'way' => null,
            'from_id' => null,
            'wanted_on' => null,
        ]);
    }

    private function tax(Customer $customer, Location $location): TaxAsAgreed
    {
        $exempted = TaxOfDay::exempted($customer, $location, ShopTime::today());

        return new TaxAsAgreed(
            $this->house->taxTerms(),
            $exempted ?? new Exempted('', '', [], TaxOfDay::components($location, ShopTime::today())),
            $exempted !== null,
            TaxOfDay::names($location),
        );
    }

    /** @param  list<AgreedLine>  $lines */
    private function total(array $lines, TaxAsAgreed $tax): Money
    {
        $values = array_map(
            fn (AgreedLine $line, int $at): SlipLine => $line->forceFill(['position' => $at + 1])
                ->toValue($this->house->currency()),
            $lines,
            array_keys($lines),
        );

        return Reckoner::reckon(
            Slip::of($this->house->currency(), $tax->terms, $tax->profile(), $values, null, $tax->exemption()),
        )->total;
    }

    /**
     * Their prices that are taken and fall below the lowest or below cost.
     *
     * @param  array<int, UnitPrice>  $costs by item
     * @return list<Need>
     */
    private function prices(Order $order, Matched $matched, array $costs): array
    {
        $needs = [];

        foreach (array_filter($matched->lines, static fn (MatchedLine $line): bool => $line->atTheirs) as $line) {
            $compared = [
                $line->quantity, $line->item->price_per, $line->amount(), $line->item->floor_price,
                $costs[$line->item->id] ?? null,
            ];

            if (PriceCheck::of(...$compared) !== PriceCheck::Fine) {
                $needs[] = new Need(
                    'web',
                    Scope::of(ApprovalKind::BelowFloor)
                        ->naming('order', $order->id)
                        ->naming('item', $line->item->id)
                        ->pieces($line->quantity, $line->amount()),
                    Refused::because(
                        'approval_missing',
                        "{$line->item->code} “{$line->item->description}”: their price is below the lowest or below "
                            .'cost. Take ours, or another person allows it: staff number, PIN and reason.',
                    ),
                    "{$order->label}: {$line->item->code} at {$line->line->priceInWords()}",
                    LimitMatter::BelowFloor,
                    PriceCheck::gap(...$compared),
                );
            }
        }

        return $needs;
    }
}
