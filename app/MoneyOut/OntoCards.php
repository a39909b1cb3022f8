<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * Gift cards that get back what they paid. Locked before the first number of a series is taken, filled with the
 * document that says so.
 */
interface OntoCards
{
    /** @param  list<int>  $cards ids */
    public function lock(array $cards): void;

    /**
     * Before a terminal pays the rest back.
     *
     * @param  list<int>  $cards ids
     *
     * @throws Refused card_unusable
     */
    public function assertUsable(array $cards): void;

    /** @throws Refused card_unusable where the card is blocked; changed_elsewhere where it was not locked */
    public function pay(int $card, int $document, Money $amount, CarbonImmutable $day): void;
}
