<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxAsAgreed;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;

/** A quote as somebody wants it given. */
final readonly class NewQuote
{
    /**
     * @param  string  $key of the slip it is made from
     * @param  list<AgreedLine>  $lines in their order
     * @param  int|null  $revises the quote that it changes; null: it is a new one
     */
    public function __construct(
        public string $key,
        public int $locationId,
        public ?int $customerId,
        public int $staffId,
        public CarbonImmutable $day,
        public array $lines,
        public TaxAsAgreed $tax,
        public ?Reduction $discount,
        public Money $total,
        public CarbonImmutable $validUntil,
        public ?CarbonImmutable $followUpOn,
        public string $party,
        public string $note,
        public string $buyer,
        public string $purchaseOrder,
        public string $job,
        public ?int $revises = null,
    ) {
    }
}
