<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Till\CashCount;

/** What somebody found in a drawer. */
final readonly class Counted
{
    /**
     * @param  list<string>  $ticked the cheques that are there, by TakenCheque::key
     * @param  Money  $otherCheques that lie there and are on no list
     * @param  Money  $cards what the terminal's batch comes to
     * @param  bool  $cardsReported by the terminal itself; else typed from its paper
     */
    public function __construct(
        public CashCount $cash,
        public array $ticked,
        public Money $otherCheques,
        public Money $cards,
        public bool $cardsReported,
    ) {
    }
}
