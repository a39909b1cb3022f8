<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;

/**
 * Something a slip takes money in for besides what is sold on it. All of them stand on one receipt. Each is a class of
 * its own under the tag "slip.money"; the sum due, what hinders posting, the receipt and what is entered after it go
 * through them in that order, and the counter knows none of them by name.
 */
interface TakesMoney
{
    /** What it adds to the sum due; zero where it is not on the slip. */
    public function due(Slip $slip): Money;

    /** As the sum due says it: "towards the account". */
    public function words(): string;

    /** What the post button says where nothing else is on the slip; null: what it says of any payment. */
    public function alone(): ?string;

    /** As which kind of money held it stands; null: it is paid to the house account. */
    public function heldAs(): ?HeldKind;

    /** @return list<Refused> */
    public function hindrances(ReckonedCounter $reckoned): array;

    /** Enters it where it belongs, once the receipt is written. Everything is locked. */
    public function enter(TakenIn $in): void;
}
