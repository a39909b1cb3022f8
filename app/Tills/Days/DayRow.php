<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Elmstone\Core\Money\Money;

/** One row of a day sheet: what went one way, what went the other. */
final readonly class DayRow
{
    public function __construct(public string $name, public Money $in, public Money $out)
    {
    }

    public function net(): Money
    {
        return $this->in->minus($this->out);
    }
}
