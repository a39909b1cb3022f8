<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Purchasing\Suppliers\SupplierItem;

/** An item that is to be bought: how much, of whom, for whom. */
final readonly class ToBuyRow
{
    /**
     * @param  SupplierItem|null  $source null: nobody is known to sell it
     * @param  list<Wanted>  $for who waits for it
     * @param  BigDecimal  $quantity what is proposed, in whole packs
     */
    private function __construct(
        public Item $item,
        public ?SupplierItem $source,
        public array $for,
        public ?LowStock $low,
        public OnOrder $onOrder,
        public BigDecimal $quantity,
    ) {
    }

    /**
     * @param  list<Wanted>  $for
     * @return self|null null: what is on order reaches
     */
    public static function of(
        Item $item,
        ?SupplierItem $source,
        array $for,
        ?LowStock $low,
        OnOrder $onOrder,
    ): ?self {
        $free = $onOrder->isFree();
        $wanted = self::wanted($for);
        $missing = $low?->missing($free->minus($wanted)) ?? BigDecimal::zero();
        // What waits is bought by name even where something free is on its way: that may be sold before it is here.
        $quantity = $low === null ? $wanted : ($missing->isGreaterThan($wanted) ? $missing : $wanted);

        return $quantity->isPositive()
            ? new self($item, $source, $for, $low, $onOrder, $source?->inPacks($quantity) ?? $quantity)
            : null;
    }

    /**
     * For whom so many are meant: who waits longest first, as far as they reach.
     *
     * @return list<Wanted>
     */
    public function meantOf(Quantity $quantity): array
    {
        $left = $quantity->value;
        $meant = [];

        foreach ($this->for as $one) {
            $now = $one->quantity->isGreaterThan($left) ? $left : $one->quantity;
            $now->isPositive() && ($meant[] = $one->with($now));
            $left = $left->minus($now);
        }

        return $meant;
    }

    /** What customers wait for. */
    public function waiting(): BigDecimal
    {
        return self::wanted($this->for);
    }

    /** @param  list<Wanted>  $for */
    private static function wanted(array $for): BigDecimal
    {
        return BigDecimal::sum(
            BigDecimal::zero(),
            ...array_map(static fn (Wanted $one): BigDecimal => $one->quantity, $for),
        )->stripTrailingZeros();
    }
}
