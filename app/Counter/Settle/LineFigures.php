<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Brick\Math\BigRational;
use Closure;
use Elmstone\Books\Drafts\LineCost;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\Margin;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Core\Slip\Coupon;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;

/** What the lines of a slip cost, where they stand against floor and cost, what the slip earns. */
final readonly class LineFigures
{
    public function __construct(private ReckonedCounter $reckoned, private House $house)
    {
    }

    /** What the house pays for it: the goods, or the owner's share. */
    public function costOf(LineOnSlip $line): Money
    {
        return LineCost::of(
            $this->reckoned->line($line),
            $this->reckoned->terms,
            $this->worthOf($line),
            $line->consigned(),
        );
    }

    /** What the goods are worth in inventory: what belongs to somebody else, nothing. */
    public function worthOf(LineOnSlip $line): Money
    {
        return $line->costNow() === null
            ? Money::zero($this->house->currency())
            : $line->costNow()->worth(
                $line->quantity,
                $line->price_per,
                $this->house->currency(),
            );
    }

    /** Where the line stands against floor price and cost, after every discount. */
    public function check(LineOnSlip $line): PriceCheck
    {
        return $this->isPlainlyFine($line) ? PriceCheck::Fine : PriceCheck::of(...$this->compared($line));
    }

    /** Nothing came off it and its price is neither below floor nor cost: then neither is what so many come to. */
    private function isPlainlyFine(LineOnSlip $line): bool
    {
        $reckoned = $this->reckoned->line($line);
        [$price, $floor, $cost] = [$reckoned->line->unitPrice, $line->floor_price, $line->costNow()];

        return ! $this->reckoned->terms->taxIncluded
            && $reckoned->net->plus($reckoned->coupons)->equals($reckoned->gross)
            && ($floor === null || ! $price->isLessThan($floor))
            && ($cost === null || ! $price->isLessThan($cost));
    }

    /** By how much check() finds it too low, after every discount; coupons do not count. */
    public function gap(LineOnSlip $line): Money
    {
        return PriceCheck::gap(...$this->compared($line));
    }

    /**
     * @return array{Quantity, int, Money, UnitPrice|null, UnitPrice|null, BigRational|null} quantity, what the price is
     *     of, worth, floor, cost, and what a price with tax is divided by
     */
    private function compared(LineOnSlip $line): array
    {
        $reckoned = $this->reckoned->line($line);

        return [
            $reckoned->line->quantity,
            $reckoned->line->pricePer,
            // Who gave a coupon out has allowed it.
            $reckoned->net->plus($reckoned->coupons),
            $line->floor_price === null ? null : $line->floor_price,
            $line->costNow(),
            $this->reckoned->terms->taxIncluded ? $this->taxFactor($line->tax_class) : null,
        ];
    }

    public function margin(): Margin
    {
        $sums = $this->reckoned->sums;
        $charged = $this->reckoned->surchargeLines();
        $currency = $this->house->currency();
        $of = static fn (Closure $figure): Money => Money::sum(array_map($figure, $charged), $currency);
        $net = $sums->net->minus($of(static fn (ReckonedLine $line): Money => $line->net));
        $tax = $sums->taxTotal->minus($of(static fn (ReckonedLine $line): Money => $line->taxTotal));
        $net = $this->reckoned->terms->taxIncluded ? $net->minus($tax) : $net;
        $costs = $this->reckoned->slip->lines->map(fn (LineOnSlip $line): Money => $this->costOf($line));

        return Margin::of($net, Money::sum($costs, $this->house->currency()));
    }

    /** What is earned on one line, after all that comes off it. */
    public function marginOf(LineOnSlip $line): Margin
    {
        $reckoned = $this->reckoned->line($line);

        return Margin::of(
            $this->reckoned->terms->taxIncluded ? $reckoned->net->minus($reckoned->taxTotal) : $reckoned->net,
            $this->costOf($line),
        );
    }

    private function taxFactor(string $taxClass): BigRational
    {
        return BigRational::of(TaxProfile::total($this->reckoned->profile->effectiveRates($taxClass))->plus(100))
            ->dividedBy(100);
    }
}
