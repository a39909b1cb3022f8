<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxAsAgreed;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;

/** An order as somebody wants it made. */
final readonly class NewOrder
{
    /**
     * @param  string  $key of what it is made from
     * @param  list<AgreedLine>  $lines in their order, with way, place they leave and day
     * @param  array<int, BigDecimal>  $aside by place in the list, what is set aside now; where none is said, what
     *     there is
     * @param  Money  $total tax in it
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
        public array $aside,
        public TaxAsAgreed $tax,
        public ?Reduction $discount,
        public Money $total,
        public Money $deposit,
        public OrderSource $source,
        public bool $isCharged,
        public ?CarbonImmutable $wantedOn,
        public string $wantedWhen = '',
        public ?Money $leastDeposit = null,
        public string $deliverTo = '',
        public string $note = '',
        public string $purchaseOrder = '',
        public string $job = '',
        public string $buyer = '',
        public string $theirNumber = '',
        public ?string $signature = null,
        public string $signedBy = '',
        public ?int $sharing = null,
    ) {
    }
}
