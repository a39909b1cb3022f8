<?php

declare(strict_types=1);

namespace Elmstone\Core\Orders;

use Brick\Math\BigDecimal;
use DateTimeImmutable;

/** So much is expected to come in on a day. */
final readonly class Expected
{
    public function __construct(public DateTimeImmutable $day, public BigDecimal $quantity)
    {
    }
}
