<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\Till;

/**
 * A card terminal. Every request carries a key: the same key asked again is the same request, never a second charge.
 * Which terminal is used at a till is for `DeviceChoices` to say when it is first asked; what became of a request, and
 * its reversal, are of the one that was asked. Its reports are of a till: what was asked for it, on whichever terminal.
 */
interface CardTerminal
{
    /** @param  OnFile|null  $card one it keeps; null: the one that is put in */
    public function take(Till $till, string $key, Money $amount, ?OnFile $card = null): TerminalAnswer;

    /**
     * Keeps the card that is put in, whose holder has agreed to that. The same key keeps it once.
     *
     * @throws DeviceFailed where it has read none, or cannot keep any
     */
    public function keep(Till $till, string $key): KeptCard;

    /** Keeps it no more; one it does not know is none it keeps. */
    public function forget(string $token): void;

    /**
     * Which card will pay the question of this key, before it is asked: nothing is taken, and asked then, it is taken
     * of that card. Null: the terminal has read none, or cannot say.
     */
    public function read(Till $till, string $key): ?CardRead;

    /** What became of an earlier request. */
    public function ask(Till $till, string $key, Money $amount): TerminalAnswer;

    /** Reverses what was done under the key, or may have been: answers reversed, also where nothing was done. */
    public function reverse(Till $till, string $key): TerminalAnswer;

    /**
     * What it approved since a moment, by its own book; asking changes nothing. What was reversed is not in it.
     *
     * @throws DeviceFailed where it does not answer
     */
    public function report(Till $till, CarbonImmutable $since): BatchReport;

    /** Pays money back to the card of an earlier payment, named by its authorisation. */
    public function refund(Till $till, string $key, Money $amount, string $authorisation): TerminalAnswer;
}
