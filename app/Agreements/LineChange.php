<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;

/**
 * One change of what is set aside: another quantity of a line (nothing: it is dropped), its serial numbers, or an item
 * put with it.
 */
final readonly class LineChange
{
    /** @param  list<string>|null  $serials null: as they are */
    private function __construct(
        public ?int $position,
        public ?BigDecimal $quantity,
        public ?Item $item,
        public ?array $serials,
    ) {
    }

    public static function drop(int $position): self
    {
        return new self($position, BigDecimal::zero(), null, null);
    }

    public static function quantity(int $position, Quantity $quantity): self
    {
        return new self($position, BigDecimal::of($quantity->toString()), null, null);
    }

    /** @param  list<string>  $serials */
    public static function serials(int $position, array $serials): self
    {
        return new self($position, null, null, $serials);
    }

    public static function add(Item $item, Quantity $quantity): self
    {
        return new self(null, BigDecimal::of($quantity->toString()), $item, null);
    }
}
