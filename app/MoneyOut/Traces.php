<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Core\Money\Money;

/** A room that turns money it held into money held elsewhere, and knows by which ways it had come in. */
interface Traces
{
    /**
     * @param  int  $document by which it changed its place
     * @return array<string, Money>|null by way; null: that document is none of its own
     */
    public function ways(int $document): ?array;
}
