<?php

declare(strict_types=1);

namespace Elmstone\Support\Casts;

use Elmstone\Core\Money\Percentage;

/**
 * A rate in percent.
 *
 * @extends DecimalCast<Percentage>
 */
final class PercentageCast extends DecimalCast
{
    protected function of(string $decimal): Percentage
    {
        return Percentage::of($decimal);
    }
}
