<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Core\Money\Money;
use Elmstone\Shop\Till;

/**
 * A card terminal. Every request carries a key: the same key asked again is the same request, never a second charge.
 */
interface CardTerminal
{
    public function take(Till $till, string $key, Money $amount): TerminalAnswer;

    /** What became of an earlier request. */
    public function ask(Till $till, string $key, Money $amount): TerminalAnswer;

    /** Takes back an approved payment whole, before its sale is posted. */
    public function giveBack(Till $till, string $key): TerminalAnswer;

    /** Pays money back to the card of an earlier payment, named by its authorisation. */
    public function refund(Till $till, string $key, Money $amount, string $authorisation): TerminalAnswer;
}
