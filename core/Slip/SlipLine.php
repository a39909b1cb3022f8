<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;

/** One item or charge as the clerk has it on the slip, before anything is reckoned. */
final readonly class SlipLine
{
    private function __construct(
        public string $id,
        public Direction $direction,
        public Quantity $quantity,
        public UnitPrice $unitPrice,
        public int $pricePer,
        public string $taxClass,
        public ?Reduction $discount,
        public bool $mayDiscount,
    ) {
    }

    /**
     * @param  int  $pricePer how many units the price is for: 1, 100 or 1000
     * @param  bool  $mayDiscount whether the slip discount reaches this line
     *
     * @throws Refused bad_price_per
     */
    public static function of(
        string $id,
        Direction $direction,
        Quantity $quantity,
        UnitPrice $unitPrice,
        int $pricePer = 1,
        string $taxClass = 'standard',
        ?Reduction $discount = null,
        bool $mayDiscount = true,
    ): self {
        if (! in_array($pricePer, [1, 100, 1000], true)) {
            throw Refused::because('bad_price_per', 'A price is per 1, per 100 or per 1000.');
        }

        return new self($id, $direction, $quantity, $unitPrice, $pricePer, $taxClass, $discount, $mayDiscount);
    }

    /** `quantity × unit price ÷ price per`, exact, in major units. */
    public function exactGross(): BigDecimal
    {
        return $this->unitPrice->forMany($this->quantity, $this->pricePer);
    }

    /** The same, rounded to the currency's places. */
    public function gross(Currency $currency): Money
    {
        return $this->unitPrice->worth($this->quantity, $this->pricePer, $currency);
    }

    /** Whether the slip discount reaches this line: it goes out, and the item may be discounted. */
    public function sharesSlipDiscount(): bool
    {
        return $this->mayDiscount && $this->direction === Direction::Out;
    }
}
