<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Shop\Till;

interface ReceiptPrinter
{
    /** @param  string  $html the paper, 80 mm wide */
    public function print(Till $till, string $title, string $html): void;
}
