<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use DateTimeImmutable;
use Elmstone\Core\Money\Money;

/** One part of what is to be paid, and the day it is due. */
final readonly class Instalment
{
    public function __construct(public DateTimeImmutable $due, public Money $amount)
    {
    }
}
