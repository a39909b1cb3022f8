<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;

/** Commission that is earned as its invoice is paid: so much of it that it is whole when the invoice is. */
final class Earned
{
    /**
     * @param  Money  $paid of the invoice so far
     * @param  Money  $total of the invoice; nothing: all is earned
     */
    public static function of(Money $commission, Money $paid, Money $total): Money
    {
        return ! $total->isPositive() || ! $total->exceeds($paid)
            ? $commission
            : Money::round(
                BigRational::of($commission->major())->multipliedBy($paid->major())->dividedBy($total->major()),
                $commission->currency,
            );
    }
}
