<?php

declare(strict_types=1);

namespace Elmstone\Devices\Real;

use Elmstone\Devices\CashDrawer;
use Elmstone\Devices\DeviceChoices;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Till;

/** A receipt printer on the network, and the drawer that hangs on it, each at the address its till has. */
final readonly class NetworkPrinter implements CashDrawer, ReceiptPrinter
{
    /** Letters in a line, by the width of the paper in millimetres. */
    private const COLUMNS = [58 => 32, 80 => 48];

    public function __construct(private DeviceChoices $choices)
    {
    }

    public function print(Till $till, string $title, string $html): void
    {
        $at = $this->choices->at($till, DeviceKind::Printer);
        Socket::send($this->address($at), EscPos::of($html, self::COLUMNS[$at->paper_mm] ?? 48), $at->name);
    }

    public function open(Till $till): void
    {
        $at = $this->choices->at($till, DeviceKind::Drawer);
        Socket::send($this->address($at), EscPos::PULSE, $at->name);
    }

    /** @throws DeviceFailed */
    private function address(Till $till): string
    {
        return $till->printer !== '' ? $till->printer
            : throw new DeviceFailed("{$till->name} has no printer. Its address is set under Settings, Tills.");
    }
}
