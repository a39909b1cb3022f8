<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Devices\Simulated\SimulatedDisplay;
use Elmstone\Devices\Simulated\SimulatedDrawer;
use Elmstone\Devices\Simulated\SimulatedMailbox;
use Elmstone\Devices\Simulated\SimulatedPrinter;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Support\KeepsMail;
use Elmstone\Support\RoomProvider;
use Illuminate\Contracts\Container\Container;

/** Terminal, drawer, display, mailbox and printer: stand-ins where they are played, else nothing that pretends. */
final class DevicesProvider extends RoomProvider
{
    /** @var array<class-string, class-string> */
    private const STAND_INS = [
        CardTerminal::class => SimulatedTerminal::class,
        CashDrawer::class => SimulatedDrawer::class,
        CustomerDisplay::class => SimulatedDisplay::class,
        Mailbox::class => SimulatedMailbox::class,
        ReceiptPrinter::class => SimulatedPrinter::class,
    ];

    public function register(): void
    {
        foreach (self::STAND_INS as $device => $standIn) {
            $this->app->bind($device, config('house.stand_ins') === true ? $standIn : NotConnected::class);
        }

        $this->app->extend(
            Mailbox::class,
            static fn (Mailbox $mailbox, Container $app): Mailbox => new KeptMailbox(
                $mailbox, $app->make(KeepsMail::class),
            ),
        );
    }
}
