<?php

declare(strict_types=1);

namespace Elmstone\Orders\Supply;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxOfDay;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Core\Orders\SupplyInvoice;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Slip;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderFigures;
use Elmstone\Orders\OrderTerms;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;

/**
 * What leaves of an order, the freight that goes with it, and what it comes to: agreed prices, taxes of the day.
 */
final readonly class SupplyFigures
{
    /**
     * @param  Leaving  $leaving with its freight
     * @param  array<int, LineFigures>  $figures by position
     */
    private function __construct(
        private Order $order,
        public Leaving $leaving,
        public array $figures,
        public ReckonedSlip $reckoned,
        private Location $location,
        private PostedAt $at,
    ) {
    }

    public static function of(
        Order $order,
        Leaving $goods,
        Location $location,
        PostedAt $at,
        House $house,
        OrderTerms $terms,
    ): self {
        $all = OrderFigures::of($order, $house->currency());
        $figures = [];

        foreach ($goods->quantities as $position => $quantity) {
            $figures[$position] = $all->supply($position)->supplying(Quantity::of((string) $quantity));
        }

        $figures += self::freight($order, $all, $figures, $terms->spreadsFreight(), $house->currency());
        ksort($figures);
        $leaving = Leaving::of(
            array_map(static fn (LineFigures $one): BigDecimal => $one->quantity->stripTrailingZeros(), $figures),
            $goods->serials,
        );
        $lines = [];

        foreach ($leaving->quantities as $position => $quantity) {
            $lines[] = $all->value($position, $quantity);
        }

        return new self($order, $leaving, $figures, SupplyInvoice::reckon(
            Slip::of(
                $house->currency(),
                $house->taxTerms(),
                $location->taxProfile->toValue($at->day),
                $lines,
                null,
                TaxOfDay::exempted($order->customer, $location, $at->day)?->exemption(),
            ),
            array_values($figures),
        ), $location, $at);
    }

    /**
     * Parts are taxed each for themselves, and their taxes can come to a cent more or less than that of the whole. Who
     * has paid the whole, at taxes that are still the same, has paid: what the parts differ by is rounding.
     */
    public function rounding(): Money
    {
        $currency = $this->reckoned->total->currency;
        $isLast = $this->order->lines()->every(function (AgreedLine $line): bool {
            $left = $this->order->at($line->position)?->left() ?? BigDecimal::zero();

            return $left->isEqualTo($this->leaving->quantities[$line->position] ?? BigDecimal::zero());
        });
        $paid = Money::sum(
            $this->order->loadMissing('entries')->entries
                ->filter(static fn (HeldEntry $entry): bool => $entry->movement !== Movement::Used)
                ->pluck('amount'),
            $currency,
        );
        $agreed = $this->order->taxAsAgreed();
        $exempted = TaxOfDay::exempted($this->order->customer, $this->location, $this->at->day);

        return $isLast && $paid->equals($this->order->total)
            && $agreed->isAs(TaxOfDay::components($this->location, $this->at->day))
            && $agreed->exempted()?->toJson() === $exempted?->toJson()
            ? $this->order->held()->minus($this->reckoned->total)
            : Money::zero($currency);
    }

    /**
     * Freight goes with goods that are brought: all of it with the first of them, once; or, where the shop spreads it,
     * with each of them as much as its net is of the net of all that is brought.
     *
     * @param  array<int, LineFigures>  $goods that leave now, by position
     * @return array<int, LineFigures>
     */
    private static function freight(
        Order $order,
        OrderFigures $all,
        array $goods,
        bool $isSpread,
        Currency $currency,
    ): array {
        $brought = array_filter(
            array_keys($goods),
            static fn (int $position): bool => ($line = $order->line($position)) !== null
                && SupplyOrder::isBrought($line),
        );
        $freight = [];

        foreach ($brought === [] ? [] : $order->lines() as $line) {
            $left = $line->isFreight() && ! isset($goods[$line->position])
                ? $order->at($line->position)?->left()
                : null;
            $part = $left?->isPositive() !== true ? null : ($isSpread
                ? self::share($order, $all, $goods, $line, $left, $currency)
                : $all->supply($line->position)->supplying(Quantity::of((string) $left)));
            $part === null || ($freight[$line->position] = $part);
        }

        return $freight;
    }

    /**
     * How many of one freight is a matter of words; its money is the exact share.
     *
     * @param  array<int, LineFigures>  $goods that leave now, by position
     */
    private static function share(
        Order $order,
        OrderFigures $all,
        array $goods,
        AgreedLine $freight,
        BigDecimal $left,
        Currency $currency,
    ): ?LineFigures {
        [$net, $reached] = [Money::zero($currency), Money::zero($currency)];

        foreach ($order->lines() as $line) {
            $progress = SupplyOrder::isBrought($line) ? $order->at($line->position) : null;

            if ($progress !== null && $progress->kept()->isPositive()) {
                $net = $net->plus($all->ordered[$line->position]->upTo($progress->kept())->net());
                $reached = $reached
                    ->plus($progress->done()->net())
                    ->plus(($goods[$line->position] ?? null)?->net() ?? Money::zero($currency));
            }
        }

        $supply = $all->supply($freight->position);
        $money = $supply->spread($net, $reached);
        $isAll = $net->isZero() || ! $net->exceeds($reached);
        $many = $isAll ? $left : $supply->ordered->quantity
            ->multipliedBy($reached->major())
            ->dividedBy($net->major(), 4, RoundingMode::DOWN)
            ->minus($supply->supplied->quantity);

        return $many->isPositive()
            ? new LineFigures($many, $money->gross, $money->lineDiscount, $money->slipDiscount)
            : null;
    }
}
