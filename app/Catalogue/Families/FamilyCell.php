<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;

/** The item where two values meet, and how much of it there is. */
final readonly class FamilyCell
{
    /**
     * @param  array<int, array{string, string}>  $stock on hand and committed, by location
     * @param  array<int, BigDecimal>  $onOrder by location
     */
    public function __construct(public Item $item, private array $stock, private array $onOrder)
    {
    }

    /** @param  int|null  $location null: at all together */
    public function onHand(?int $location): BigDecimal
    {
        return $this->summed($location, 0);
    }

    /** Set aside for somebody. */
    public function committed(?int $location): BigDecimal
    {
        return $this->summed($location, 1);
    }

    /** There and nobody's. */
    public function free(?int $location): BigDecimal
    {
        return $this->onHand($location)->minus($this->committed($location))->stripTrailingZeros();
    }

    public function onOrder(?int $location): BigDecimal
    {
        return match (true) {
            $this->onOrder === [] => BigDecimal::zero(),
            $location === null => BigDecimal::sum(...array_values($this->onOrder))->stripTrailingZeros(),
            default => ($this->onOrder[$location] ?? BigDecimal::zero())->stripTrailingZeros(),
        };
    }

    /** @param  0|1  $figure */
    private function summed(?int $location, int $figure): BigDecimal
    {
        if ($location !== null) {
            return BigDecimal::of($this->stock[$location][$figure] ?? '0')->stripTrailingZeros();
        }

        $sum = BigDecimal::zero();

        foreach ($this->stock as $at) {
            $sum = $sum->plus($at[$figure]);
        }

        return $sum->stripTrailingZeros();
    }
}
