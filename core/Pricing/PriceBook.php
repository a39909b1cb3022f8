<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use DateTimeImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/**
 * Every price an item has for one customer, and which of them wins. docs/rules.md, "Which price wins".
 *
 * Where two prices are equally low, the plainer rule is named: list, then level, quantity break, promotion,
 * markdown.
 */
final readonly class PriceBook
{
    /**
     * @param  list<DatedPrice>  $contracts this customer's contract prices
     * @param  list<QuantityBreak>  $breaks
     * @param  list<DatedPrice>  $promotions
     * @param  UnitPrice|null  $level the price at the customer's price level
     * @param  Percentage|null  $standing the customer's standing discount: their own, else their type's
     * @param  bool  $netPrice never discounted
     * @param  UnitPrice|null  $marked what it was marked down to by its age
     */
    public function __construct(
        public UnitPrice $list,
        public array $contracts = [],
        public ?UnitPrice $level = null,
        public array $breaks = [],
        public array $promotions = [],
        public ?Percentage $standing = null,
        public bool $netPrice = false,
        public ?UnitPrice $marked = null,
    ) {
    }

    public function quote(Quantity $quantity, DateTimeImmutable $on): PriceQuote
    {
        return $this->contract($on) ?? $this->lowest($quantity, $on);
    }

    /** A price typed by hand wins over all, and no standing discount comes off it. */
    public function typed(UnitPrice $price): PriceQuote
    {
        return new PriceQuote($price, PriceRule::Typed, $this->list);
    }

    private function contract(DateTimeImmutable $on): ?PriceQuote
    {
        $lowest = self::lowestOf(
            array_filter($this->contracts, static fn (DatedPrice $price): bool => $price->isInForce($on)),
        );

        return $lowest === null
            ? null
            : new PriceQuote($lowest->price, PriceRule::Contract, $this->list, source: $lowest);
    }

    private function lowest(Quantity $quantity, DateTimeImmutable $on): PriceQuote
    {
        $best = [PriceRule::ListPrice, new DatedPrice($this->list)];

        foreach ($this->candidates($quantity, $on) as [$rule, $candidate]) {
            if ($candidate->price->isLessThan($best[1]->price)) {
                $best = [$rule, $candidate];
            }
        }

        return new PriceQuote(
            $best[1]->price,
            $best[0],
            $this->list,
            $this->netPrice ? null : $this->standing,
            $best[1],
        );
    }

    /** @return iterable<array{PriceRule, DatedPrice}> */
    private function candidates(Quantity $quantity, DateTimeImmutable $on): iterable
    {
        if ($this->level !== null) {
            yield [PriceRule::Level, new DatedPrice($this->level)];
        }

        foreach ($this->breaks as $break) {
            if ($break->isReachedBy($quantity)) {
                yield [PriceRule::QuantityBreak, new DatedPrice($break->price)];
            }
        }

        foreach ($this->promotions as $promotion) {
            if ($promotion->isInForce($on)) {
                yield [PriceRule::Promotion, $promotion];
            }
        }

        if ($this->marked !== null) {
            yield [PriceRule::Markdown, new DatedPrice($this->marked)];
        }
    }

    /** @param  array<DatedPrice>  $prices */
    private static function lowestOf(array $prices): ?DatedPrice
    {
        return array_reduce(
            $prices,
            static fn (?DatedPrice $lowest, DatedPrice $price): DatedPrice => $lowest === null
            || $price->price->isLessThan($lowest->price)
                ? $price
                : $lowest,
        );
    }
}
