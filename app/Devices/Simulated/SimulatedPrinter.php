<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;

/** Shows its paper on the devices page. */
final class SimulatedPrinter implements ReceiptPrinter
{
    public function print(Till $till, string $title, string $html): void
    {
        DB::table('printed_papers')->insert(['till_id' => $till->id, 'title' => $title, 'html' => $html]);
    }
}
