<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreementChange;
use Elmstone\Books\HeldKind;
use Elmstone\Catalogue\Commitments;
use Elmstone\Catalogue\Committed;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Purchasing\Links;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\ManyRows;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that writes how far orders have come: what is supplied, set aside, cancelled, paid. Always under their
 * locks, which are taken before anything else is read; of those that are charged, under the account's lock too.
 */
final class OrderLedger
{
    public function __construct(
        private readonly House $house,
        private readonly HeldLedger $held,
        private readonly Commitments $commitments,
        private readonly Links $links,
        private readonly Ledger $accounts,
    ) {
    }

    /** @throws Refused not_found */
    public function lock(int $id): Order
    {
        return $this->lockAll([$id])[$id] ?? throw Refused::because('not_found', 'There is no such order.');
    }

    /**
     * In the order of their ids, by their ids alone, so that no others are waited for on the way.
     *
     * @param  array<int>  $ids
     * @return array<int, Order> by id, with progress and account
     */
    public function lockAll(array $ids): array
    {
        DB::transactionLevel() > 0 || throw new LogicException('Orders are locked inside a transaction.');
        $orders = $ids === []
            ? []
            : Order::query()
                ->without('account')
                ->forceIndex('PRIMARY')
                ->whereIn('id', $ids)
                ->orderBy('id')
                ->lockForUpdate()
                ->get()
                ->load('progress')
                ->keyBy('id')
                ->all();
        $accounts = $this->held->lockAll(array_map(static fn (Order $order): int => $order->account_id, $orders));

        foreach ($orders as $order) {
            $order->setRelation('account', $accounts->get($order->account_id));
        }

        return $orders;
    }

    /**
     * The account an order is charged to, before the order itself is locked; null: it is not charged.
     */
    public function lockAccountOf(int $order): ?HouseAccount
    {
        $row = Order::query()->toBase()->where('id', $order)->first(['customer_id', 'is_charged']);

        return $row !== null && (bool) $row->is_charged ? $this->accounts->lockIfAny((int) $row->customer_id) : null;
    }

    /** The deposits of whose order it is: before the order itself is locked. */
    public function lockDepositsOf(int $order): HeldAccount
    {
        $customer = Order::query()->toBase()->where('id', $order)->value('customer_id');

        return $this->held->lock(HeldKind::Deposit, is_int($customer) ? $customer : 0);
    }

    /** @throws Refused not_open, over_remaining, bad_amount */
    public function pay(
        Order $order,
        int $document,
        Money $amount,
        CarbonImmutable $day,
        ?Money $leaves = null,
    ): void {
        self::assertPayable($order, $amount, $leaves);
        $this->held->put($order->account, $document, $amount, $day);
        $order->unsetRelation('entries');
    }

    /**
     * @param  Money|null  $leaves what leaves with the payment comes to at the taxes of the day, which can be more than
     *     was agreed
     *
     * @throws Refused not_open, over_remaining, bad_amount
     */
    public static function assertPayable(Order $order, Money $amount, ?Money $leaves = null): void
    {
        $most = Money::max($order->toSettle(), ($leaves ?? $order->held())->minus($order->held()));

        match (true) {
            ! $order->isOpen() => throw Refused::because(
                'not_open',
                "{$order->label} is {$order->state->value} already; nothing can be paid on it.",
            ),
            $amount->isNegative() => throw Refused::because('bad_amount', 'A payment is more than nothing.'),
            $amount->exceeds($most) => throw Refused::because(
                'over_remaining',
                'Only '.Show::money($most)." is left to pay on {$order->label}.",
            ),
            default => null,
        };
    }

    public function leave(Order $order, int $document, Movement $movement, Money $amount, CarbonImmutable $day): void
    {
        $amount->isZero() || $this->held->take($order->account, $document, $amount, $day, $movement);
        $order->unsetRelation('entries');
    }

    /**
     * So much more of a line is set aside; below zero: less.
     *
     * @param  array<int, BigDecimal>  $changes by position
     */
    public function aside(Order $order, array $changes): void
    {
        $this->asideAll([$order->id => $order], [$order->id => $changes]);
    }

    /**
     * The same of several orders at once.
     *
     * @param  array<int, Order>  $orders by id
     * @param  array<int, array<int, BigDecimal>>  $changes by order and position
     */
    public function asideAll(array $orders, array $changes): void
    {
        [$rows, $committed] = [[], []];
        ksort($changes);

        foreach ($changes as $id => $ofOne) {
            ksort($ofOne);

            foreach ($ofOne as $position => $change) {
                $line = $orders[$id]->at($position);

                if ($line !== null && $line->item_id !== null && ! $change->isZero()) {
                    $rows[] = [[$id, $position], (string) $line->isAside()->plus($change)];
                    $committed[] = new Committed($id, $line->item_id, $line->location_id, $change);
                }
            }
        }

        ManyRows::set('order_lines', ['agreement_id', 'position'], 'aside', $rows);
        $committed === [] || $this->commitments->change($committed);
        (new Collection(array_intersect_key($orders, $changes)))->load('progress');
    }

    /** @param  array<int, LineFigures>  $supplied by position */
    public function supplied(Order $order, array $supplied): void
    {
        foreach ($supplied as $position => $figures) {
            $line = $order->at($position);
            $done = $line?->done()->plus($figures) ?? throw new LogicException("No line {$position}.");
            $this->write($order, $position, [
                'supplied' => (string) $done->quantity,
                'gross' => $done->gross,
                'line_discount' => $done->lineDiscount,
                'slip_discount' => $done->slipDiscount,
            ]);
        }

        $this->reread($order);
    }

    /**
     * So much of a line will not be supplied: what waits goes first, then what is bought for it, then what is set
     * aside.
     *
     * @param  array<int, BigDecimal>  $cancelled by position
     */
    public function cancel(Order $order, array $cancelled): void
    {
        $bought = Links::of($order->id);

        foreach ($cancelled as $position => $quantity) {
            $line = $order->at($position) ?? throw new LogicException("No line {$position}.");
            $left = $line->left()->minus($quantity);
            $keepAside = $line->isAside()->isGreaterThan($left) ? $left : $line->isAside();
            $this->aside($order, [$position => $keepAside->minus($line->isAside())]);
            $this->write($order, $position, [
                'cancelled' => (string) BigDecimal::of($line->cancelled)->plus($quantity),
            ]);
            $this->links->keep($order->id, $position, $left->minus($keepAside));
            unset($bought[$position]);
        }

        $this->reread($order);
    }

    /**
     * The lines of an order that is just being made.
     *
     * @param  list<array<string, scalar|null>>  $lines in their order
     */
    public function begin(Order $order, array $lines): void
    {
        foreach (array_chunk($lines, 500, true) as $chunk) {
            DB::table('order_lines')->insert(array_map(
                static fn (int $at, array $line): array => [
                    'agreement_id' => $order->id, 'position' => $at + 1, ...$line,
                ],
                array_keys($chunk),
                $chunk,
            ));
        }

        $this->reread($order);
    }

    /**
     * A line that is new, or of which more is ordered.
     *
     * @param  array<string, scalar|null>  $columns
     */
    public function line(Order $order, int $position, array $columns): void
    {
        DB::table('order_lines')->updateOrInsert(['agreement_id' => $order->id, 'position' => $position], $columns);
        $this->reread($order);
    }

    /**
     * What is left of it, in goods and in money, once something has changed; an order of which nothing is left has
     * ended.
     *
     * @param  HouseAccount|null  $account what it is charged to, locked; null: it is not
     */
    public function settle(Order $order, ?HouseAccount $account, CarbonImmutable $day): void
    {
        $before = $order->open_total;
        $figures = OrderFigures::of($order, $this->house->currency());
        $open = $figures->open();
        $isDone = $order->progress->every(static fn (OrderLine $line): bool => $line->left()->isZero());
        $order
            ->forceFill([
                'total' => $figures->kept(),
                'open_total' => $open,
                'version' => $order->version + 1,
                'ended_on' => $isDone ? $day : null,
                'state' => match (true) {
                    ! $isDone => OrderState::Open,
                    $order->hasBegun() => OrderState::Supplied,
                    default => OrderState::Cancelled,
                },
            ])
            ->save();
        $this->expect($order, $account, $open->minus($before));
    }

    /** So much more, or less, of what is ordered will be charged to the account. */
    public function expect(Order $order, ?HouseAccount $account, Money $change): void
    {
        if ($order->is_charged && ! $change->isZero()) {
            $this->accounts->expect(
                $account ?? throw new LogicException("{$order->label} is charged, and its account is not locked."),
                $change,
            );
        }
    }

    public function record(Order $order, Staff $by, string $what, Money $before): void
    {
        AgreementChange::query()->create([
            'agreement_id' => $order->id,
            'staff_id' => $by->id,
            'what' => mb_substr($what, 0, 500),
            'total_before' => $before,
            'total_after' => $order->total,
            'revision' => $order->revision,
            'made_at' => now(),
        ]);
    }

    /** @param  array<string, scalar|Money|null>  $columns */
    private function write(Order $order, int $position, array $columns): void
    {
        DB::table('order_lines')
            ->where('agreement_id', $order->id)
            ->where('position', $position)
            ->update($columns);
    }

    private function reread(Order $order): void
    {
        $order->load('progress');
    }
}
