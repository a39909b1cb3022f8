<?php

declare(strict_types=1);

namespace Elmstone\Core\Consignment;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;

/** How much of what an owner's goods brought was paid by card, where a sale was paid by card in part. */
final class PaidByCard
{
    /**
     * `round(Σ net × card ÷ total)`, rounded once.
     *
     * @param  iterable<array{Money, Money, Money}>  $lines net of a line (below zero: it came back), what cards paid of
     *     its document, and its total
     */
    public static function of(iterable $lines, Currency $currency): Money
    {
        $sum = BigRational::zero();

        foreach ($lines as [$net, $card, $total]) {
            $sum = $total->isZero() ? $sum : $sum->plus(
                BigRational::of($net->major())->multipliedBy($card->major())->dividedBy($total->major()),
            );
        }

        return Money::round($sum, $currency);
    }
}
