<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;

/** Who a document is for, and what was agreed with them about it. */
final readonly class Party
{
    /**
     * @param  string  $name as it stands on the paper
     * @param  CarbonImmutable|null  $due when what was charged falls due
     * @param  string  $terms in words
     * @param  string  $ownTerms in words, what of tax or price level was its own, and why; for the shop
     * @param  Money|null  $balanceBefore what they owed before it; null: it does not touch an account
     */
    public function __construct(
        public ?int $customerId = null,
        public string $name = '',
        public string $purchaseOrder = '',
        public string $job = '',
        public string $buyer = '',
        public ?Exempted $exempted = null,
        public ?CarbonImmutable $due = null,
        public string $terms = '',
        public ?Money $balanceBefore = null,
        public string $ownTerms = '',
    ) {
    }

    /** The same, where nothing is taxed and so nobody is exempt. */
    public function untaxed(): self
    {
        return new self(
            $this->customerId,
            $this->name,
            $this->purchaseOrder,
            $this->job,
            $this->buyer,
            null,
            $this->due,
            $this->terms,
            $this->balanceBefore,
            $this->ownTerms,
        );
    }
}
