<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;

/**
 * The tax of one group of lines that all go the same way.
 *
 * Prices without tax: component by component, each base being the lines' net and their shares of the components it is
 * on top of. Prices with tax: class by class, the tax is taken out of the sum and split by effective rates.
 * docs/rules.md, "Tax"; per-document rounding is that of EN 16931, BR-CO-17.
 */
final readonly class TaxReckoner
{
    /** @param  array<int, TaxedLine>  $lines keyed by their place on the slip */
    public static function reckon(Currency $currency, TaxTerms $terms, TaxProfile $profile, array $lines): GroupTax
    {
        $reckoner = new self($currency, $terms->rounding, $profile, $lines);

        return $terms->taxIncluded ? $reckoner->takenOut() : $reckoner->putOnTop();
    }

    /** @param  array<int, TaxedLine>  $lines */
    private function __construct(
        private Currency $currency,
        private TaxRounding $rounding,
        private TaxProfile $profile,
        private array $lines,
    ) {
    }

    private function putOnTop(): GroupTax
    {
        $shares = [];
        $subtotals = [];

        foreach ($this->profile->components() as $component) {
            $bases = array_map(static fn (TaxedLine $line): Money => $line->net, $this->linesOf($component));

            foreach (array_intersect_key($shares, array_flip($component->onTopOf)) as $below) {
                foreach (array_intersect_key($below, $bases) as $i => $share) {
                    $bases[$i] = $bases[$i]->plus($share);
                }
            }

            $shares[$component->id] = $this->amounts($component, $bases);
            $subtotals[] = new TaxSubtotal($component, $this->sum($bases), $this->sum($shares[$component->id]));
        }

        return new GroupTax($subtotals, $shares);
    }

    /**
     * @param  array<int, Money>  $bases
     * @return array<int, Money> each line's amount of the component
     */
    private function amounts(TaxComponent $component, array $bases): array
    {
        return $this->rounding === TaxRounding::PerLine
            ? array_map(static fn (Money $base): Money => $base->percent($component->rate), $bases)
            : $this->overLines(
                $this->sum($bases)->percent($component->rate),
                array_intersect_key($this->lines, $bases),
            );
    }

    private function takenOut(): GroupTax
    {
        $shares = array_fill_keys(
            array_map(static fn (TaxComponent $component) => $component->id, $this->profile->components()),
            [],
        );

        foreach ($this->groups() as $taxClass => $lines) {
            foreach ($this->splitOut((string) $taxClass, $lines) as $id => $byLine) {
                $shares[$id] += $byLine;
            }
        }

        return new GroupTax(
            array_map(
                fn (TaxComponent $component): TaxSubtotal => new TaxSubtotal(
                    $component,
                    $this->withoutTax($this->linesOf($component), $shares),
                    $this->sum($shares[$component->id]),
                ),
                $this->profile->components(),
            ),
            $shares,
        );
    }

    /**
     * The lines tax is taken out of together: those of a class, or each on its own.
     *
     * @return iterable<string, array<int, TaxedLine>>
     */
    private function groups(): iterable
    {
        $classes = [];

        foreach ($this->lines as $i => $line) {
            if ($this->rounding === TaxRounding::PerLine) {
                yield $line->taxClass => [$i => $line];
            } else {
                $classes[$line->taxClass][$i] = $line;
            }
        }

        yield from $classes;
    }

    /**
     * @param  array<int, TaxedLine>  $lines all of one class
     * @return array<string, array<int, Money>> by component id, then line
     */
    private function splitOut(string $taxClass, array $lines): array
    {
        $rates = $this->profile->effectiveRates($taxClass);

        if ($rates === []) {
            return [];
        }

        $sum = $this->sum(array_map(static fn (TaxedLine $line): Money => $line->net, $lines));
        $withoutTax = BigRational::of($sum->major())
            ->multipliedBy(100)
            ->dividedBy(TaxProfile::total($rates)->plus(100));
        $tax = $sum->minus(Money::round($withoutTax, $this->currency));
        $split = array_combine(array_keys($rates), $tax->apportion(array_values($rates)));

        return array_map(fn (Money $amount): array => $this->overLines($amount, $lines), $split);
    }

    /**
     * @param  array<int, TaxedLine>  $lines
     * @return array<int, Money>
     */
    private function overLines(Money $amount, array $lines): array
    {
        return $lines === []
            ? []
            : array_combine(
                array_keys($lines),
                $amount->apportionBy(
                    array_values(array_map(static fn (TaxedLine $line): Money => $line->net, $lines)),
                ),
            );
    }

    /**
     * @param  array<int, TaxedLine>  $lines
     * @param  array<string, array<int, Money>>  $shares
     */
    private function withoutTax(array $lines, array $shares): Money
    {
        $taxes = array_map(fn (array $byLine): Money => $this->sum(array_intersect_key($byLine, $lines)), $shares);

        return $this->sum(array_map(static fn (TaxedLine $line): Money => $line->net, $lines))->minus(
            $this->sum($taxes),
        );
    }

    /** @return array<int, TaxedLine> */
    private function linesOf(TaxComponent $component): array
    {
        return array_filter($this->lines, static fn (TaxedLine $line): bool => $component->appliesTo($line->taxClass));
    }

    /** @param  iterable<Money>  $amounts */
    private function sum(iterable $amounts): Money
    {
        return Money::sum($amounts, $this->currency);
    }
}
