<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxAsAgreed;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;

/** A layaway as somebody wants it made. */
final readonly class HoldOrder
{
    /**
     * @param  string  $key of the slip it is made from
     * @param  list<AgreedLine>  $lines in their order
     * @param  Money  $deposit what is paid at once
     * @param  int|null  $sharing who sells it; null: who makes it
     */
    public function __construct(
        public string $key,
        public int $locationId,
        public int $customerId,
        public int $staffId,
        public CarbonImmutable $day,
        public array $lines,
        public TaxAsAgreed $tax,
        public ?Reduction $discount,
        public Money $total,
        public Money $deposit,
        public AgreedTerms $terms,
        public Rhythm $rhythm,
        public int $count,
        public CarbonImmutable $firstDue,
        public CarbonImmutable $expiresOn,
        public int $graceDays,
        public string $purchaseOrder = '',
        public string $job = '',
        public string $buyer = '',
        public ?string $signature = null,
        public string $signedBy = '',
        public ?int $sharing = null,
    ) {
    }
}
