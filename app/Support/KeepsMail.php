<?php

declare(strict_types=1);

namespace Elmstone\Support;

/** Who keeps what was mailed to a customer. */
interface KeepsMail
{
    /** @param  int|null  $customer whom it was about; null: nobody of the customers */
    public function mailed(?int $customer, string $to, string $subject): void;
}
