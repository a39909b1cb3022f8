<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Tax\Exemption;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxTerms;

/** All that decides what a slip comes to. */
final readonly class Slip
{
    /**
     * @param  list<SlipLine>  $lines
     * @param  list<Coupon>  $coupons
     */
    private function __construct(
        public Currency $currency,
        public TaxTerms $terms,
        public TaxProfile $profile,
        public array $lines,
        public ?Reduction $discount,
        public array $coupons,
    ) {
    }

    /**
     * @param  list<SlipLine>  $lines
     * @param  Reduction|null  $discount the whole-slip discount
     * @param  list<Coupon>  $coupons in the order they were shown
     */
    public static function of(
        Currency $currency,
        TaxTerms $terms,
        TaxProfile $profile,
        array $lines,
        ?Reduction $discount = null,
        ?Exemption $exemption = null,
        array $coupons = [],
    ): self {
        return new self(
            $currency,
            $terms,
            $profile->without($exemption ?? Exemption::none()),
            $lines,
            $discount,
            $coupons,
        );
    }
}
