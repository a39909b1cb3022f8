<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Elmstone\Devices\DeviceChoices;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;

/** Shows its paper on the devices page. */
final readonly class SimulatedPrinter implements ReceiptPrinter
{
    public const DEVICE = 'printer';

    public static function isOutOfPaper(Till $till): bool
    {
        return (DeviceState::read($till, self::DEVICE)['out_of_paper'] ?? false) === true;
    }

    public function __construct(private DeviceChoices $choices)
    {
    }

    public function print(Till $till, string $title, string $html): void
    {
        $till = $this->choices->at($till, DeviceKind::Printer);

        if (self::isOutOfPaper($till)) {
            throw new DeviceFailed("The printer of {$till->name} is out of paper.");
        }

        DB::table('printed_papers')->insert(['till_id' => $till->id, 'title' => $title, 'html' => $html]);
    }
}
