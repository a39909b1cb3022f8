<?php

declare(strict_types=1);

namespace Elmstone\Support;

/** Who keeps what was mailed to a customer. */
interface KeepsMail
{
    /** @param  int|null  $customer whom it was about; null: nobody of the customers */
    public function mailed(?int $customer, string $to, string $subject): void;

    /**
     * That a mail did not arrive: the last one to an address, of those sent lately.
     *
     * @return bool whether one was found
     */
    public function bounced(string $to, string $why): bool;
}
