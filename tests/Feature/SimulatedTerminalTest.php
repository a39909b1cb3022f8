<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\Simulated\DeviceState;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Devices\Simulated\TerminalMood;

/** The stand-in holds to what every adapter of a terminal does. */
final class SimulatedTerminalTest extends TerminalContract
{
    protected function acts(string $how): void
    {
        DeviceState::write($this->till(), 'terminal', ['mood' => TerminalMood::from($how)->value]);
    }

    protected function device(): CardTerminal
    {
        return app(SimulatedTerminal::class);
    }
}
