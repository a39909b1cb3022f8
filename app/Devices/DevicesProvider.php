<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Devices\Real\NetworkPrinter;
use Elmstone\Devices\Real\SmtpMailbox;
use Elmstone\Devices\Simulated\SimulatedDisplay;
use Elmstone\Devices\Simulated\SimulatedDrawer;
use Elmstone\Devices\Simulated\SimulatedMailbox;
use Elmstone\Devices\Simulated\SimulatedPrinter;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Support\KeepsMail;
use Elmstone\Support\RoomProvider;
use Illuminate\Contracts\Container\Container;

/** Terminal, drawer, display, mailbox and printer: stand-ins where they are played, else the real ones there are. */
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
            $this->app->bind($device, config('house.stand_ins') === true ? $standIn : self::real($device));
        }

        $this->app->extend(
            Mailbox::class,
            static fn (Mailbox $mailbox, Container $app): Mailbox => new KeptMailbox(
                $mailbox, $app->make(KeepsMail::class),
            ),
        );
    }

    /**
     * What there is of real devices; a terminal and a display are adapters of whoever makes them (docs/devices.md).
     *
     * @param  class-string  $device
     * @return class-string
     */
    private static function real(string $device): string
    {
        return match ($device) {
            ReceiptPrinter::class, CashDrawer::class => NetworkPrinter::class,
            Mailbox::class => config('house.smtp') === true ? SmtpMailbox::class : NotConnected::class,
            default => NotConnected::class,
        };
    }
}
