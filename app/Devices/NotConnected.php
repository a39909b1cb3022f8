<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\Till;

/** Where no device is connected: what is printed or mailed waits, and cards cannot be asked for. */
final class NotConnected implements CardTerminal, CashDrawer, CustomerDisplay, Mailbox, ReceiptPrinter
{
    public function take(Till $till, string $key, Money $amount, ?OnFile $card = null): TerminalAnswer
    {
        return TerminalAnswer::offLine();
    }

    public function keep(Till $till, string $key): KeptCard
    {
        throw new DeviceFailed("No terminal is connected to {$till->name}.");
    }

    public function forget(string $token): void
    {
        // There is nobody that could keep it.
    }

    public function read(Till $till, string $key): ?CardRead
    {
        return null;
    }

    public function refund(Till $till, string $key, Money $amount, string $authorisation): TerminalAnswer
    {
        return TerminalAnswer::offLine();
    }

    public function ask(Till $till, string $key, Money $amount): TerminalAnswer
    {
        return TerminalAnswer::offLine();
    }

    public function reverse(Till $till, string $key): TerminalAnswer
    {
        return TerminalAnswer::offLine();
    }

    public function report(Till $till, CarbonImmutable $since): BatchReport
    {
        throw new DeviceFailed("No terminal is connected to {$till->name}.");
    }

    public function open(Till $till): void
    {
        throw new DeviceFailed("No drawer is connected to {$till->name}.");
    }

    public function print(Till $till, string $title, string $html): void
    {
        throw new DeviceFailed("No printer is connected to {$till->name}.");
    }

    public function deliver(Mail $mail): void
    {
        throw new DeviceFailed('No mail server is connected.');
    }

    public function show(Till $till, DisplayContent $content): void
    {
        // There is nothing to show it on.
    }

    public function rest(Till $till): void
    {
        // There is nothing to show it on.
    }

    public function askSignature(Till $till, string $for, string $amount): void
    {
        // There is nothing to sign on.
    }

    public function signature(Till $till, string $for): ?string
    {
        return null;
    }

    public function signatureTaken(Till $till): void
    {
        // There was nothing to sign on.
    }
}
