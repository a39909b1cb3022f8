<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\AgreedLines;
use Elmstone\Books\HeldKind;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Money\Refused;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Orders\Supply\SupplyOrder;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Support\Show;

/**
 * Takes an order: lines as agreed, what is set aside of them now, what waits. Inside a transaction, its goods locked,
 * and the account where it is charged; the deposit's receipt is posted by whoever asked for it.
 */
final class TakeOrder
{
    public function __construct(
        private readonly OrderLedger $ledger,
        private readonly HeldLedger $accounts,
        private readonly AgreedLines $lines,
        private readonly OrderTerms $terms,
    ) {
    }

    /** @throws Refused wanted_past, wanted_closed, no_address, over_remaining, empty, not_whole */
    public static function assertFine(NewOrder $order, OrderTerms $terms): void
    {
        $brought = array_filter($order->lines, SupplyOrder::isBrought(...));
        $goods = array_filter($order->lines, static fn (AgreedLine $line): bool => ! $line->isFee());
        $days = [$order->wantedOn, ...array_map(static fn (AgreedLine $line) => $line->wanted_on, $order->lines)];

        match (true) {
            $goods === [] => throw Refused::because(
                'empty',
                'There is nothing on this order.',
            ),
            $brought !== [] && trim($order->deliverTo) === '' => throw Refused::because(
                'no_address',
                'Type where the goods are to be brought.',
            ),
            $order->deposit->exceeds($order->total) => throw Refused::because(
                'over_remaining',
                'The deposit is more than the order comes to, '.Show::money($order->total).'.',
            ),
            default => null,
        };

        foreach ($days as $day) {
            $day === null || $terms->assertMayBeWanted($day, $order->day);
        }
    }

    public function handle(NewOrder $new, ?HouseAccount $account): Order
    {
        self::assertFine($new, $this->terms);
        $order = Order::query()->create([
            'key' => $new->key,
            'location_id' => $new->locationId,
            'customer_id' => $new->customerId,
            'staff_id' => $new->staffId,
            'sharing_id' => $new->sharing,
            'state' => OrderState::Open,
            'made_on' => $new->day,
            'tax' => $new->tax->toJson(),
            'discount_percent' => $new->discount?->percent?->toString(),
            'discount_amount' => $new->discount?->amount,
            'purchase_order' => $new->purchaseOrder,
            'job' => $new->job,
            'buyer' => $new->buyer,
            'total' => $new->total,
            'account_id' => ($held = $this->accounts->open(HeldKind::Order, $new->customerId))->id,
            'revision' => 1,
            'version' => 1,
            'shelf' => '',
            'source' => $new->source,
            'is_charged' => $new->isCharged,
            'wanted_on' => $new->wantedOn,
            'wanted_when' => $new->wantedWhen,
            'least_deposit' => $new->leastDeposit ?? $new->total->minus($new->total),
            'open_total' => $new->total,
            'deliver_to' => mb_substr(trim($new->deliverTo), 0, 300),
            'note' => mb_substr(trim($new->note), 0, 255),
            'their_number' => $new->theirNumber,
            'ended_why' => '',
            'document_id' => null,
            'ended_on' => null,
            'signature' => $new->signature,
            'signed_by' => $new->signedBy,
            'signed_at' => $new->signature === null ? null : now(),
        ]);
        $order->setRelation('account', $held);
        $this->lines->put($order, $new->lines);

        $this->ledger->begin($order, array_map(static fn (AgreedLine $line): array => [
            'item_id' => $line->item_id,
            'location_id' => $line->from_id ?? $new->locationId,
            'ordered' => $line->quantity->toString(),
            'brought' => $line->way === OrderWay::Delivery->value,
        ], $new->lines));
        $this->ledger->aside($order, $this->asideOf($order, $new));
        $this->ledger->expect($order, $account, $order->open_total);

        return $order;
    }

    /**
     * What was said, or else what there is and nobody has; never more than there is.
     *
     * @return array<int, BigDecimal> by position
     *
     * @throws Refused not_there
     */
    private function asideOf(Order $order, NewOrder $new): array
    {
        $free = Stock::free($order->progress->pluck('item_id'));
        $aside = [];

        foreach ($order->progress as $line) {
            if ($line->item_id === null) {
                continue;
            }

            $place = "{$line->item_id} {$line->location_id}";
            $there = $free[$place] ?? BigDecimal::zero();
            $wanted = $new->aside[$line->position - 1] ?? null;
            $now = $wanted ?? ($there->isGreaterThan($line->left()) ? $line->left() : $there);

            if ($wanted !== null && ($wanted->isGreaterThan($there) || $wanted->isGreaterThan($line->left()))) {
                throw Refused::because(
                    'not_there',
                    "Only {$there->stripTrailingZeros()} of {$order->line($line->position)?->description} can be set "
                        .'aside now; the rest waits.',
                );
            }

            $aside[$line->position] = $now;
            $free[$place] = $there->minus($now);
        }

        return $aside;
    }
}
