<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Closure;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Tax\GroupTax;
use Elmstone\Core\Tax\TaxedLine;
use Elmstone\Core\Tax\TaxReckoner;
use Elmstone\Core\Tax\TaxSubtotal;

/**
 * Works out what a slip comes to: gross, discounts, net and tax for every line, and the sums.
 *
 * The rules stand in docs/rules.md under "The slip" and "Tax".
 */
final readonly class Reckoner
{
    /** @throws Refused discount_too_large (as RefusedOnLine where it is a line's), too_large */
    public static function reckon(Slip $slip): ReckonedSlip
    {
        return (new self($slip))->slip();
    }

    private function __construct(private Slip $slip)
    {
    }

    private function slip(): ReckonedSlip
    {
        $priced = array_map($this->priced(...), $this->slip->lines, array_keys($this->slip->lines));
        $coupons = $this->slip->coupons === []
                ? []
                : CouponReckoner::reckon($this->slip->currency, $priced, $this->slip->coupons);
        $priced = $coupons === [] ? $priced : $this->withCoupons($priced, $coupons);
        $shares = $this->slipDiscountShares($priced);
        $taxed = array_map(
            static fn (PricedLine $line, Money $share): TaxedLine => new TaxedLine(
                $line->line->taxClass,
                $line->afterCoupons()->minus($share),
            ),
            $priced,
            $shares,
        );
        $out = $this->taxOf($taxed, Direction::Out);
        $back = $this->taxOf($taxed, Direction::Back);

        return $this->summed($this->lines($priced, $shares, $taxed, $out, $back), $coupons, $out, $back);
    }

    /**
     * @param  list<PricedLine>  $lines
     * @param  list<ReckonedCoupon>  $coupons
     * @return list<PricedLine>
     */
    private function withCoupons(array $lines, array $coupons): array
    {
        return array_map(
            fn (PricedLine $line, int $place): PricedLine => $line->withCoupons(
                Money::sum(
                    array_map(fn (ReckonedCoupon $coupon): Money => $coupon->shares[$place] ?? $this->zero(), $coupons),
                    $this->slip->currency,
                ),
            ),
            $lines,
            array_keys($lines),
        );
    }

    private function priced(SlipLine $line, int $place): PricedLine
    {
        $gross = $this->slip->terms->taxIncluded
            ? Money::round(
                $this->slip->profile->priceWithoutExempt($line->exactGross(), $line->taxClass),
                $this->slip->currency,
            )
            : $line->gross($this->slip->currency);

        try {
            return new PricedLine($line, $gross, $line->discount?->of($gross) ?? $this->zero());
        } catch (Refused $refused) {
            throw RefusedOnLine::at($place, $refused);
        }
    }

    /**
     * @param  list<PricedLine>  $lines
     * @return list<Money> each line's share, in the lines' order
     */
    private function slipDiscountShares(array $lines): array
    {
        $shares = array_map(fn (): Money => $this->zero(), $lines);
        $reached = array_filter($lines, static fn (PricedLine $line): bool => $line->line->sharesSlipDiscount());
        $weights = array_map(static fn (PricedLine $line): Money => $line->afterCoupons(), $reached);
        $discount = ($this->slip->discount ?? Reduction::amount($this->zero()))->of(
            Money::sum($weights, $this->slip->currency),
        );

        if ($weights === [] || $discount->isZero()) {
            return $shares;
        }

        $apportioned = $discount->apportionBy(array_values($weights));

        return array_values(array_replace($shares, array_combine(array_keys($weights), $apportioned)));
    }

    /** @param  list<TaxedLine>  $taxed in the order of the slip's lines */
    private function taxOf(array $taxed, Direction $direction): GroupTax
    {
        return TaxReckoner::reckon(
            $this->slip->currency,
            $this->slip->terms,
            $this->slip->profile,
            array_filter(
                $taxed,
                fn (int $place): bool => $this->slip->lines[$place]->direction === $direction,
                ARRAY_FILTER_USE_KEY,
            ),
        );
    }

    /**
     * @param  list<PricedLine>  $priced
     * @param  list<Money>  $shares
     * @param  list<TaxedLine>  $taxed
     * @return list<ReckonedLine>
     */
    private function lines(array $priced, array $shares, array $taxed, GroupTax $out, GroupTax $back): array
    {
        $lines = [];

        foreach ($priced as $i => $line) {
            $net = $taxed[$i]->net;
            $tax = ($line->line->direction === Direction::Out ? $out : $back)->ofLine($i);
            $taxTotal = Money::sum($tax, $this->slip->currency);
            $lines[] = new ReckonedLine(
                $line->line,
                $line->gross,
                $line->lineDiscount,
                $shares[$i],
                $net,
                $tax,
                $taxTotal,
                $this->withTax($net, $taxTotal),
                $line->coupons,
            );
        }

        return $lines;
    }

    /**
     * @param  list<ReckonedLine>  $lines
     * @param  list<ReckonedCoupon>  $coupons
     */
    private function summed(array $lines, array $coupons, GroupTax $out, GroupTax $back): ReckonedSlip
    {
        $slipDiscount = $this->signedSum($lines, static fn (ReckonedLine $line): Money => $line->slipDiscount);
        $net = $this->signedSum($lines, static fn (ReckonedLine $line): Money => $line->net);
        $tax = array_map(TaxSubtotal::difference(...), $out->subtotals, $back->subtotals);
        $taxTotal = Money::sum(
            array_map(static fn (TaxSubtotal $subtotal): Money => $subtotal->amount, $tax),
            $this->slip->currency,
        );

        $couponed = Money::sum(
            array_map(static fn (ReckonedCoupon $coupon): Money => $coupon->amount, $coupons),
            $this->slip->currency,
        );

        return new ReckonedSlip(
            $lines,
            $net->plus($slipDiscount)->plus($couponed),
            $slipDiscount,
            $net,
            $tax,
            $taxTotal,
            $this->withTax($net, $taxTotal),
            $coupons,
        );
    }

    /**
     * @param  list<ReckonedLine>  $lines
     * @param  Closure(ReckonedLine): Money  $figure
     */
    private function signedSum(array $lines, Closure $figure): Money
    {
        return Money::sum(
            array_map(static fn (ReckonedLine $line): Money => $line->line->direction->signed($figure($line)), $lines),
            $this->slip->currency,
        );
    }

    private function withTax(Money $net, Money $tax): Money
    {
        return $this->slip->terms->taxIncluded ? $net : $net->plus($tax);
    }

    private function zero(): Money
    {
        return Money::zero($this->slip->currency);
    }
}
