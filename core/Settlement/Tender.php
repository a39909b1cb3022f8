<?php

declare(strict_types=1);

namespace Elmstone\Core\Settlement;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** So much by one way of paying. Positive, whichever way the money goes. */
final readonly class Tender
{
    private function __construct(public TenderKind $kind, public Money $amount)
    {
    }

    /** @throws Refused bad_amount when below zero */
    public static function of(TenderKind $kind, Money $amount): self
    {
        return $amount->isNegative()
            ? throw Refused::because('bad_amount', 'A tender cannot be below zero.')
            : new self($kind, $amount);
    }

    public function isCash(): bool
    {
        return $this->kind === TenderKind::Cash;
    }
}
