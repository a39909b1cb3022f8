<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxSubtotal;
use Elmstone\Core\Tax\TaxTerms;

/**
 * What comes back, as one document: lines worked out from their originals, with the tax that was paid then, and lines
 * without an original, with today's. Figures are signed as a slip's are: what comes back is below zero.
 */
final readonly class CreditNote
{
    /**
     * @param  list<OriginalLine|SlipLine>  $lines in the order of the document
     * @param  Slip  $today terms and taxes for the lines without an original; its own lines do not count
     */
    public static function reckon(Currency $currency, TaxTerms $terms, array $lines, Slip $today): ReckonedSlip
    {
        $fresh = Reckoner::reckon(
            Slip::of(
                $currency,
                $today->terms,
                $today->profile,
                array_values(
                    array_filter($lines, static fn (OriginalLine|SlipLine $line): bool => $line instanceof SlipLine),
                ),
            ),
        );
        $of = [];

        foreach ($fresh->lines as $line) {
            $of[$line->line->id] = $line;
        }

        $reckoned = array_map(
            static fn (OriginalLine|SlipLine $line): ReckonedLine => $line instanceof SlipLine
                ? $of[$line->id]
                : $line->reckoned($terms),
            $lines,
        );
        $zero = Money::zero($currency);
        $net = Money::sum(
            array_map(static fn (ReckonedLine $line): Money => $line->line->direction->signed($line->net), $reckoned),
            $currency,
        );
        $tax = self::subtotals($terms, $lines, $fresh);
        $taxTotal = Money::sum(
            array_map(static fn (TaxSubtotal $subtotal): Money => $subtotal->amount, $tax),
            $currency,
        );

        return new ReckonedSlip(
            $reckoned, $net, $zero, $net, $tax, $taxTotal,
            $terms->taxIncluded ? $net : $net->plus($taxTotal),
        );
    }

    /**
     * One for each component at each rate, those of the originals first.
     *
     * @param  list<OriginalLine|SlipLine>  $lines
     * @return list<TaxSubtotal>
     */
    private static function subtotals(TaxTerms $terms, array $lines, ReckonedSlip $fresh): array
    {
        $found = [];
        $add = static function (TaxComponent $component, Money $base, Money $amount) use (&$found): void {
            $key = $component->id.'@'.$component->rate->toString();
            $before = $found[$key] ?? null;
            $found[$key] = $before === null
                    ? new TaxSubtotal($component, $base, $amount)
                    : new TaxSubtotal($before->component, $before->base->plus($base), $before->amount->plus($amount));
        };

        foreach (
            array_filter(
                $lines,
                static fn (OriginalLine|SlipLine $line): bool => $line instanceof OriginalLine,
            ) as $line
        ) {
            foreach ($line->components as $component) {
                $add(
                    $component,
                    Direction::Back->signed($line->base($component, $terms)),
                    Direction::Back->signed($line->taken->tax[$component->id]),
                );
            }
        }

        foreach ($fresh->lines === [] ? [] : $fresh->tax as $subtotal) {
            $add($subtotal->component, $subtotal->base, $subtotal->amount);
        }

        return array_values($found);
    }
}
