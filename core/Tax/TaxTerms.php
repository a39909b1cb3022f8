<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

/** How a shop states its prices and rounds its tax. */
final readonly class TaxTerms
{
    private function __construct(public bool $taxIncluded, public TaxRounding $rounding)
    {
    }

    public static function pricesWithoutTax(TaxRounding $rounding = TaxRounding::PerDocument): self
    {
        return new self(false, $rounding);
    }

    public static function pricesWithTax(TaxRounding $rounding = TaxRounding::PerDocument): self
    {
        return new self(true, $rounding);
    }
}
