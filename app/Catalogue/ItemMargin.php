<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\Margin;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Support\ShopTime;

/** What is earned on an item at a price; a price with tax is taken without it, by the taxes of a place. */
final readonly class ItemMargin
{
    private TaxProfile $profile;

    public function __construct(private House $house, Location $location)
    {
        $this->profile = $location->taxProfile->toValue(ShopTime::today());
    }

    public function at(Item $item, UnitPrice $price): Margin
    {
        $many = Quantity::of((string) $item->price_per);
        $worth = $price->worth($many, $item->price_per, $this->house->currency());

        return Margin::of(
            $this->house->taxTerms()->taxIncluded ? $this->untaxed($worth, $item->tax_class) : $worth,
            $item->cost->worth($many, $item->price_per, $this->house->currency()),
        );
    }

    private function untaxed(Money $worth, string $taxClass): Money
    {
        return Money::round(
            BigRational::of($worth->major())
                ->multipliedBy(100)
                ->dividedBy(TaxProfile::total($this->profile->effectiveRates($taxClass))->plus(100)),
            $worth->currency,
        );
    }
}
