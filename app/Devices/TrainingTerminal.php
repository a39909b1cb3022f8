<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\Till;

/** What stands in for the terminal at a till for training: it says yes, and no card is charged. */
final class TrainingTerminal implements CardTerminal
{
    public function take(Till $till, string $key, Money $amount, ?OnFile $card = null): TerminalAnswer
    {
        return TerminalAnswer::approved($amount, 'training', '0000', 'TRAINING');
    }

    public function keep(Till $till, string $key): KeptCard
    {
        throw new DeviceFailed('A till for training keeps no cards.');
    }

    public function forget(string $token): void
    {
        // It keeps none.
    }

    public function read(Till $till, string $key): CardRead
    {
        return new CardRead('training', '0000');
    }

    public function ask(Till $till, string $key, Money $amount): TerminalAnswer
    {
        return $this->take($till, $key, $amount);
    }

    public function reverse(Till $till, string $key): TerminalAnswer
    {
        return TerminalAnswer::reversed();
    }

    public function report(Till $till, CarbonImmutable $since): BatchReport
    {
        throw new DeviceFailed('A till for training has no terminal that reports.');
    }

    public function refund(Till $till, string $key, Money $amount, string $authorisation): TerminalAnswer
    {
        return TerminalAnswer::declined('A till for training pays nothing back to a card.');
    }
}
