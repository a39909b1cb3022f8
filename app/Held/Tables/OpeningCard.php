<?php

declare(strict_types=1);

namespace Elmstone\Held\Tables;

use Carbon\CarbonImmutable;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;

/** A gift card of the books before, read and right. */
final readonly class OpeningCard
{
    /**
     * @param  CardCode|null  $code null: one is drawn
     * @param  string  $was the number it had, where it is none of ours; empty: none
     * @param  CarbonImmutable|null  $expires its last day; null: as new cards
     */
    public function __construct(
        public ?CardCode $code,
        public string $was,
        public Money $amount,
        public ?CarbonImmutable $expires,
    ) {
    }
}
