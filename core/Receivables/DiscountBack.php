<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;

/**
 * What of a settlement discount goes with goods that come back. RULES, section 7: cumulative, so that everything that
 * comes back takes all of it.
 */
final class DiscountBack
{
    /**
     * round(given × (before + now) ÷ total) − taken, never below zero
     *
     * @param  Money  $given on the invoice
     * @param  Money  $total of the invoice
     * @param  Money  $before what came back of it before, tax in it
     * @param  Money  $now what comes back of it now, tax in it
     * @param  Money  $taken what was taken back of the discount before
     */
    public static function of(Money $given, Money $total, Money $before, Money $now, Money $taken): Money
    {
        if (! $given->isPositive() || ! $total->isPositive()) {
            return Money::zero($given->currency);
        }

        $due = Money::round(
            BigRational::of($given->major())->multipliedBy($before->plus($now)->minor)->dividedBy($total->minor),
            $given->currency,
        )->minus($taken);

        return $due->isPositive() ? $due : Money::zero($given->currency);
    }
}
