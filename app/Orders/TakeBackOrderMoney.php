<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Receivables\Payments\TakesBackHeld;

/** What was paid on orders by a cheque that came back is not held any more, as far as it is still there. */
final class TakeBackOrderMoney implements TakesBackHeld
{
    public function __construct(private readonly OrderLedger $ledger)
    {
    }

    public function kind(): HeldKind
    {
        return HeldKind::Order;
    }

    public function lock(Document $receipt): void
    {
        $this->paid($receipt);
    }

    /** What has paid for goods that left is not there any more: the customer owes it. */
    public function room(Document $receipt): Money
    {
        return Money::sum(
            array_map(
                static fn (array $paid): Money => Money::min($paid[1], $paid[0]->held()),
                $this->paid($receipt),
            ),
            $receipt->currency(),
        );
    }

    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void
    {
        foreach ($this->paid($receipt) as [$order, $paid]) {
            $part = Money::min($amount, Money::min($paid, $order->held()));
            $amount = $amount->minus($part);
            $this->ledger->leave($order, $return, Movement::Returned, $part, $day);
        }
    }

    /** @return list<array{Order, Money}> what it paid on which orders, locked in the order of their ids */
    private function paid(Document $receipt): array
    {
        if (! $receipt->held(HeldKind::Order)->isPositive()) {
            return [];
        }

        $paid = HeldEntry::query()
            ->where('document_id', $receipt->id)
            ->where('movement', Movement::In)
            ->whereRelation('account', 'kind', HeldKind::Order)
            ->pluck('amount', 'account_id');
        $ids = Order::query()->without('account')->whereIn('account_id', $paid->keys())->pluck('id');
        $orders = $this->ledger->lockAll(array_map(intval(...), $ids->all()));

        return array_values(array_map(static fn (Order $order): array => [$order, $paid[$order->account_id]], $orders));
    }
}
