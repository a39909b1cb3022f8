<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Tax\TaxTerms;

/** A document with everything but its number. */
final readonly class DocumentDraft
{
    /**
     * @param  list<DraftLine>  $lines
     * @param  list<DraftTender>  $tenders
     * @param  array<string, string>  $taxNames by component id
     * @param  string  $key idempotency key: the same key is never posted twice
     */
    public function __construct(
        public DocumentKind $kind,
        public int $locationId,
        public int $tillId,
        public int $staffId,
        public CarbonImmutable $businessDate,
        public CarbonImmutable $postedAt,
        public TaxTerms $terms,
        public ReckonedSlip $reckoned,
        public ?Reduction $slipDiscount,
        public array $lines,
        public array $taxNames,
        public array $tenders,
        public Money $cashRounding,
        public Money $change,
        public string $key,
        public string $customerName = '',
        public string $note = '',
    ) {
    }
}
