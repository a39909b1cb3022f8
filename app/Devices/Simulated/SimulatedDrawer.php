<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Carbon\CarbonImmutable;
use Elmstone\Devices\CashDrawer;
use Elmstone\Devices\DeviceChoices;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Till;

final readonly class SimulatedDrawer implements CashDrawer
{
    public function __construct(private DeviceChoices $choices)
    {
    }

    public function open(Till $till): void
    {
        $till = $this->choices->at($till, DeviceKind::Drawer);
        $opened = DeviceState::read($till, 'drawer')['opened'] ?? 0;
        DeviceState::write($till, 'drawer', [
            'opened' => (is_int($opened) ? $opened : 0) + 1,
            'last' => CarbonImmutable::now()->toIso8601String(),
        ]);
    }
}
