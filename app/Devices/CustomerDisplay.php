<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Shop\Till;

/** The screen that faces the customer. */
interface CustomerDisplay
{
    public function show(Till $till, DisplayContent $content): void;

    /** Welcomes whoever comes next; a thank-you stands as long as it may. */
    public function rest(Till $till): void;
}
