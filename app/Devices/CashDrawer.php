<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Shop\Till;

interface CashDrawer
{
    public function open(Till $till): void;
}
