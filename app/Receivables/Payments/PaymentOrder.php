<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;

/** A payment as somebody wants it posted. */
final readonly class PaymentOrder
{
    /**
     * @param  string  $reference the cheque's number, or what the bank says
     * @param  array<string, Money>|null  $byHand what goes on which item, by its number; null: oldest due first
     * @param  string  $key idempotency key
     * @param  bool  $leavesDiscount that no settlement discount is given, though it would hold
     * @param  bool  $takenAllTheSame though such a way is not taken from them; only of who may say so
     * @param  bool  $sureItIsAnother that a payment just like one before is another one
     */
    public function __construct(
        public int $customerId,
        public Money $amount,
        public TenderKind $kind,
        public string $reference,
        public CarbonImmutable $day,
        public string $key,
        public ?array $byHand = null,
        public bool $sureItIsAnother = false,
        public string $note = '',
        public bool $leavesDiscount = false,
        public bool $takenAllTheSame = false,
    ) {
    }
}
