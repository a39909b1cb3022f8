<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Refused;

/** To which session of its drawer what is taken or handed out at a till belongs. */
interface Sessions
{
    /**
     * The open one, which stays open until the transaction ends. After the series is taken.
     *
     * @param  int  $staff who takes the money, or hands it out
     *
     * @throws Refused till_not_open, till_counted while its count is being settled, not_your_drawer
     */
    public function take(int $till, int $staff): int;

    /**
     * Makes sure that the cheques of a document can be handed back: that they have not gone to the bank, and that
     * nobody is counting the drawer they lie in, until the transaction ends.
     *
     * @throws Refused cheque_paid_in, cheque_counted
     */
    public function assertChequesHere(int $document): void;
}
