<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;

/** A line that sold something of an owner's, or by which it came back (all figures below zero). */
final readonly class OwnerLine
{
    /**
     * @param  Money  $net without tax
     * @param  Money  $share what the owner has of it
     * @param  Money  $card what cards paid of the document
     * @param  Money  $total of the document
     */
    public function __construct(
        public int $documentId,
        public int $position,
        public string $label,
        public CarbonImmutable $day,
        public string $code,
        public string $description,
        public string $quantity,
        public Percentage $percent,
        public Money $net,
        public Money $share,
        public Money $card,
        public Money $total,
    ) {
    }
}
