<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Shop\Till;

/** The screen that faces the customer. */
interface CustomerDisplay
{
    public function show(Till $till, DisplayContent $content): void;
}
