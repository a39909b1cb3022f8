<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;

/** A room that holds money which came with a payment, and gives it up when the payment comes back. Inside the transaction that takes it back. */
interface TakesBackHeld
{
    /** Before anything else is read. */
    public function lock(Document $receipt): void;

    /**
     * @param  int  $return the document that takes the payment back
     *
     * @throws Refused where it is not held any more
     */
    public function takeBack(Document $receipt, int $return, CarbonImmutable $day): void;
}
