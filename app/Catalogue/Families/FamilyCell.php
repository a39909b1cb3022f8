<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;

/** The item where two values meet, and how much of it there is. */
final readonly class FamilyCell
{
    /** @param  array<int, BigDecimal>  $onOrder by location */
    public function __construct(public Item $item, private array $onOrder)
    {
    }

    /** @param  int|null  $location null: at all together */
    public function onHand(?int $location): BigDecimal
    {
        return $this->summed($location, static fn (Stock $one): string => $one->on_hand);
    }

    /** Set aside for somebody. */
    public function committed(?int $location): BigDecimal
    {
        return $this->summed($location, static fn (Stock $one): string => $one->committed);
    }

    /** There and nobody's. */
    public function free(?int $location): BigDecimal
    {
        return $this->onHand($location)->minus($this->committed($location))->stripTrailingZeros();
    }

    public function onOrder(?int $location): BigDecimal
    {
        return $location === null
            ? BigDecimal::sum(BigDecimal::zero(), ...array_values($this->onOrder))->stripTrailingZeros()
            : ($this->onOrder[$location] ?? BigDecimal::zero())->stripTrailingZeros();
    }

    /** @param  callable(Stock): string  $of */
    private function summed(?int $location, callable $of): BigDecimal
    {
        $sum = BigDecimal::zero();

        foreach ($this->item->stock as $one) {
            $sum = $location === null || $one->location_id === $location ? $sum->plus($of($one)) : $sum;
        }

        return $sum->stripTrailingZeros();
    }
}
