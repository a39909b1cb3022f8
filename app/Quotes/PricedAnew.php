<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Catalogue\PriceTerms;
use Elmstone\Core\Money\UnitPrice;

/** What a line of a quote would cost on a day: after its day, each difference is shown and confirmed. */
final readonly class PricedAnew
{
    private function __construct(public AgreedLine $line, public UnitPrice $price)
    {
    }

    /**
     * Lines whose prices of today differ from what was offered; what has no price list stays as it is.
     *
     * @return array<int, self> by position
     */
    public static function differing(Quote $quote, CarbonImmutable $day): array
    {
        $terms = $quote->customer?->priceTerms();
        $found = [];

        foreach ($quote->lines() as $line) {
            $now = self::today($line, $terms, $day);

            if ($now !== null && ! $now->equals($line->unit_price)) {
                $found[$line->position] = new self($line, $now);
            }
        }

        return $found;
    }

    private static function today(AgreedLine $line, ?PriceTerms $terms, CarbonImmutable $day): ?UnitPrice
    {
        return $line->item === null ? null : PriceBooks::of($line->item, $terms)->quote($line->quantity, $day)->price;
    }
}
