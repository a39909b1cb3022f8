<?php

declare(strict_types=1);

namespace Elmstone\Core\Purchasing;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;

/**
 * What goods cost by the time they are here: the freight of a delivery is shared out over its lines by their amounts.
 * docs/rules.md, "Goods in".
 */
final readonly class LandedCost
{
    private function __construct(public Money $freight, public Money $amount)
    {
    }

    /**
     * @param  list<Money>  $amounts of the lines, as delivered
     * @return list<self> in their order
     *
     * @throws Refused below_zero
     */
    public static function shares(Money $freight, array $amounts): array
    {
        foreach ([$freight, ...$amounts] as $amount) {
            $amount->isNegative() && throw Refused::because('below_zero', 'What goods cost cannot be below zero.');
        }

        return $amounts === []
            ? []
            : array_map(
                static fn (Money $share, Money $amount): self => new self($share, $amount->plus($share)),
                $freight->apportionBy($amounts),
                $amounts,
            );
    }

    /** Per unit of the price, to four places, half away from zero. */
    public function perUnit(Quantity $quantity, int $pricePer = 1): UnitPrice
    {
        return UnitPrice::of(
            (string) BigRational::of($this->amount->major())
                ->multipliedBy($pricePer)
                ->dividedBy($quantity->value)
                ->toScale(4, RoundingMode::HALF_UP),
        );
    }
}
