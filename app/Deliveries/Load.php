<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Money\Money;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderWay;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Orders\Supply\SupplyOrder;

/** What a stop brings: the goods, what they weigh, and the money to be collected for them. */
final readonly class Load
{
    /**
     * @param  BigDecimal  $weight kilograms
     * @param  Money|null  $collect null: nothing is collected, the account or the deposit pays
     */
    private function __construct(
        public Order $order,
        public Leaving $leaving,
        public BigDecimal $weight,
        public ?Money $collect,
    ) {
    }

    /** Of an order with its lines, progress, picks and customer. */
    public static function of(Order $order, int $location, SupplyOrder $supply, PostedAt $at): self
    {
        $leaving = self::leaving($order, $location);
        $due = $order->is_charged || ! $order->isOpen() || $leaving->isEmpty()
            ? null
            : $supply->total($order, $leaving, $at)->minus($order->held());

        return new self(
            $order,
            $leaving,
            self::weightOf($order, $leaving),
            $due?->isPositive() === true ? $due : null,
        );
    }

    /** What it would bring and weigh, where nobody asks yet what is to be collected. */
    public static function weighed(Order $order, int $location): self
    {
        $leaving = self::leaving($order, $location);

        return new self($order, $leaving, self::weightOf($order, $leaving), null);
    }

    /** What of the order a lorry takes now: what was picked of what is to be brought, else what is set aside of it. */
    public static function leaving(Order $order, int $location): Leaving
    {
        $now = $order->leavesNow($location);
        $brought = array_filter(
            $now->quantities,
            static fn (int $position): bool => $order->line($position)?->way === OrderWay::Delivery->value,
            ARRAY_FILTER_USE_KEY,
        );

        return Leaving::of($brought, $now->serials);
    }

    /** What all that is loaded weighs, in kilograms. */
    private static function weightOf(Order $order, Leaving $leaving): BigDecimal
    {
        $sum = BigDecimal::zero();

        foreach ($leaving->quantities as $position => $quantity) {
            $line = $order->line($position);
            $weight = $line instanceof AgreedLine ? $line->item?->weight : null;
            $weight === null || ($sum = $sum->plus($quantity->multipliedBy($weight)));
        }

        return $sum->stripTrailingZeros();
    }
}
