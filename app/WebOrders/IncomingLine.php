<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Show;

/** A line as it was sent. Numbers are exact decimals. */
final readonly class IncomingLine
{
    /**
     * @param  string  $id theirs
     * @param  string  $code ours, as they know it
     * @param  string  $unit UN/ECE Recommendation 20; empty: not said
     * @param  BigDecimal|null  $price null: not said
     * @param  BigDecimal  $priceOf how many units the price is of
     */
    public function __construct(
        public string $id,
        public string $code,
        public string $barcode,
        public string $name,
        public BigDecimal $quantity,
        public string $unit,
        public ?BigDecimal $price,
        public BigDecimal $priceOf,
        public string $note,
    ) {
    }

    /** What it comes to at their price. */
    public function amount(Currency $currency): ?Money
    {
        return $this->price === null ? null : Money::round(
            BigRational::of($this->price)->multipliedBy($this->quantity)->dividedBy($this->priceOf),
            $currency,
        );
    }

    /** "4.10", "4.10 per 100" */
    public function priceInWords(): string
    {
        return $this->price === null ? 'no price' : Show::price($this->price)
            .($this->priceOf->isEqualTo(1) ? '' : " per {$this->priceOf->stripTrailingZeros()}");
    }

    public function named(): string
    {
        return $this->code !== '' ? $this->code : ($this->barcode !== '' ? $this->barcode : 'no code');
    }
}
