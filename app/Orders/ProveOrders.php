<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Catalogue\Commitments;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Purchasing\Links;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shop\House;

/**
 * Proves the orders: what is left of each is its lines reckoned again; its invoices are within it, line by line and to
 * the cent; what is held for orders is what was paid on open ones; what accounts are told is still to be charged is
 * what the orders say; nothing is bought for a line beyond what is missing of it.
 */
final class ProveOrders implements Topic
{
    public function __construct(private readonly House $house)
    {
    }

    public function inWords(): string
    {
        return 'Orders come to what was supplied and what is left, deposits and limits with them';
    }

    public function page(): string
    {
        return 'orders';
    }

    public function prove(Proof $proof): void
    {
        $this->money($proof);

        foreach (Order::query()->with(['progress', 'allLines'])->lazyById(200) as $order) {
            $this->one($proof, $order);
        }
    }

    private function money(Proof $proof): void
    {
        $held = HeldAccount::query()->where('kind', HeldKind::Order);
        $proof->same(
            'order deposits held',
            'what was paid on the open ones',
            (int) (clone $held)
                ->whereIn('id', Order::query()->where('state', OrderState::Open)->select('account_id'))
                ->sum('balance'),
            (int) $held->sum('balance'),
        );
        $charged = Order::query()
            ->toBase()
            ->where('is_charged', true)
            ->whereNull('ended_on')
            ->groupBy('customer_id')
            ->selectRaw('customer_id, SUM(open_total) AS open')
            ->pluck('open', 'customer_id');

        foreach (HouseAccount::query()->lazyById(1000, 'customer_id') as $account) {
            $proof->same(
                "account of customer {$account->customer_id}",
                'what is ordered and to be charged',
                $this->house->money((int) ($charged[$account->customer_id] ?? 0)),
                $account->orders,
            );
        }
    }

    private function one(Proof $proof, Order $order): void
    {
        $figures = OrderFigures::of($order, $this->house->currency());
        $proof->same($order->label, 'the total', $order->total, $figures->kept());
        $proof->same($order->label, 'what is left of it', $order->open_total, $figures->open());
        $proof->same($order->label, 'whose its money is', $order->account->customer_id, $order->customer_id);
        $proof->same(
            $order->label,
            'whether it is open',
            $order->isOpen() ? 'yes' : 'no',
            $order->progress->contains(static fn (OrderLine $line): bool => $line->left()->isPositive()) ? 'yes' : 'no',
        );
        $this->aside($proof, $order);
        $this->bought($proof, $order);
        $this->supplied($proof, $order, $figures);
        $proof->checked('orders reckoned again');
    }

    /** What is set aside for it is what its lines say. */
    private function aside(Proof $proof, Order $order): void
    {
        $aside = [];

        foreach ($order->progress as $line) {
            $proof->same(
                "{$order->label} line {$line->position}",
                'whether a lorry brings it',
                (int) $line->brought,
                (int) ($order->line($line->position)?->way === OrderWay::Delivery->value),
            );
            $place = "{$line->item_id} {$line->location_id}";
            $line->item_id === null || $line->isAside()->isZero() || ($aside[$place] = $line->isAside()->plus(
                $aside[$place] ?? BigDecimal::zero(),
            ));
        }

        $written = static fn (array $places): string => implode('; ', array_map(
            static fn (string $place, BigDecimal $one): string => "{$place}: {$one->stripTrailingZeros()}",
            array_keys($places),
            $places,
        ));
        $committed = Commitments::of([$order->id])[$order->id] ?? [];
        ksort($aside);
        ksort($committed);
        $proof->same($order->label, 'what is set aside for it', $written($aside), $written($committed));
    }

    private function bought(Proof $proof, Order $order): void
    {
        foreach (Links::of($order->id) as $position => $bought) {
            $missing = BigDecimal::of($order->at($position)->missing ?? '0');
            $bought->isGreaterThan($missing) && $proof->fault(
                "{$order->label} line {$position}: {$bought} is bought for it, and {$missing} is missing",
            );
        }
    }

    /** What its invoices say, in their order, is what each supply comes to. */
    private function supplied(Proof $proof, Order $order, OrderFigures $figures): void
    {
        if (! $order->hasBegun()) {
            return;
        }

        $sums = [];
        $done = [];

        foreach (
            Document::query()
                ->with('lines')
                ->where('supplies', $order->label)
                ->where('kind', DocumentKind::Invoice)
                ->orderBy('id')
                ->get() as $invoice
        ) {
            foreach ($invoice->lines as $line) {
                $position = $this->positionOf($order, $line->code, $line->description, $line->unit_price->toString());
                $figure = new LineFigures(
                    $line->quantity->value,
                    $line->gross,
                    $line->line_discount,
                    $line->slip_discount,
                );
                $sums[$position] = isset($sums[$position]) ? $sums[$position]->plus($figure) : $figure;
            }
        }

        foreach ($order->progress as $line) {
            $position = $this->positionOf(
                $order,
                (string) $order->line($line->position)?->code,
                (string) $order->line($line->position)?->description,
                (string) $order->line($line->position)?->unit_price->toString(),
            );
            $done[$position] = isset($done[$position]) ? $done[$position]->plus($line->done()) : $line->done();
            $this->within($proof, $order, $line, $figures);
        }

        foreach ($done as $position => $all) {
            $invoiced = $sums[$position] ?? LineFigures::none($this->house->currency());
            $proof->same($order->label, "what its invoices supply of {$position}", self::written($all), self::written(
                $invoiced,
            ));
        }
    }

    private function within(Proof $proof, Order $order, OrderLine $line, OrderFigures $figures): void
    {
        $done = $line->done();
        $share = $figures->ordered[$line->position]->upTo($done->quantity);
        // While an order grows, a share can have been worked out of another whole: it is put right by the next supply.
        $order->revision > 1 || $proof->same(
            $order->label,
            "the share of line {$line->position} that was supplied",
            self::written($share),
            self::written($done),
        );
    }

    /** Lines that look the same on paper are proved together. */
    private function positionOf(Order $order, string $code, string $description, string $price): string
    {
        return "{$code} {$description} at {$price}";
    }

    private static function written(LineFigures $figures): string
    {
        $money = array_map(
            static fn (Money $one): string => $one->toString(),
            [$figures->gross, $figures->lineDiscount, $figures->slipDiscount],
        );

        return $figures->quantity->stripTrailingZeros().': '.implode(', ', $money);
    }
}
