<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;

/**
 * A room that holds money which came with a receipt, and gives it up when the receipt is taken back. Inside the
 * transaction that takes it back.
 */
interface TakesBackHeld
{
    public function kind(): HeldKind;

    /** Before anything else is read. */
    public function lock(Document $receipt): void;

    /** What of the receipt's part is still here, so that it can be given up. */
    public function room(Document $receipt): Money;

    /**
     * @param  int  $return the document that takes the receipt back
     * @param  Money  $amount not above the room there is
     */
    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void;
}
