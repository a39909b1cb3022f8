<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;

/**
 * What can still come back of a sold line, and for how much. docs/rules.md, "Returns".
 *
 * Each figure of r pieces is `round(F × (q' + r) ÷ q) − F'`, F being the line's figure, q' and F' what came back
 * before. Where money alone was given back, what was left then, in pieces and in money, is the line from there on. So
 * any steps that bring everything back give back exactly what was paid.
 */
final readonly class Returnable
{
    private const NET = 'net';

    private const COST = 'cost';

    private const TAX = 'tax:';

    /**
     * @param  array<string, Money>  $figures of the line, or of what was left when money alone was given back last:
     *     net, cost, each component's tax
     * @param  array<string, Money>  $gone the same of what came back since
     */
    private function __construct(
        private BigDecimal $quantity,
        private array $figures,
        private BigDecimal $goneQuantity,
        private array $gone,
    ) {
    }

    /**
     * @param  list<Taken>  $taken in the order it came back
     *
     * @throws Refused more_than_left where more came back than was sold
     */
    public static function of(SoldLine $line, array $taken = []): self
    {
        $zero = Money::zero($line->net->currency);
        $figures = self::figures($line->net, $line->tax, $line->cost);
        $returnable = new self(
            $line->quantity->value,
            $figures,
            BigDecimal::zero(),
            array_map(static fn (): Money => $zero, $figures),
        );

        foreach ($taken as $step) {
            $returnable = $returnable->after($step);
        }

        return $returnable;
    }

    /** @throws Refused more_than_left */
    public function after(Taken $step): self
    {
        $gone = [];

        foreach (self::figures($step->net, $step->tax, $step->cost) as $key => $figure) {
            $gone[$key] = (
                $this->gone[$key] ?? throw Refused::because('unknown_component', "The line has no tax “{$key}”.")
            )->plus($figure);
        }

        $after = new self(
            $this->quantity,
            $this->figures,
            $this->goneQuantity->plus($step->quantity),
            array_replace($this->gone, $gone),
        );

        if (
            $after->left()->isNegative()
            || array_filter($after->moneyLeft(), static fn (Money $left): bool => $left->isNegative()) !== []
        ) {
            throw Refused::because('more_than_left', 'More came back than was sold.');
        }

        return $step->isMoneyOnly()
            ? new self(
                $after->left(),
                $after->moneyLeft(),
                BigDecimal::zero(),
                array_map(static fn (Money $figure): Money => $figure->minus($figure), $this->figures),
            )
            : $after;
    }

    /** How many can still come back. */
    public function left(): BigDecimal
    {
        return $this->quantity->minus($this->goneQuantity);
    }

    public function netLeft(): Money
    {
        return $this->moneyLeft()[self::NET];
    }

    /** @return array<string, Money> by component */
    public function taxLeft(): array
    {
        return self::tax($this->moneyLeft());
    }

    /**
     * So many pieces come back.
     *
     * @throws Refused more_than_left
     */
    public function returning(Quantity $quantity): Taken
    {
        $with = $this->goneQuantity->plus($quantity->value);

        if ($with->isGreaterThan($this->quantity)) {
            throw Refused::because(
                'more_than_left',
                $this->left()->isZero()
                    ? 'All of it came back already.'
                    : "Only {$this->left()->stripTrailingZeros()} can still come back.",
            );
        }

        $figures = [];

        foreach ($this->figures as $key => $figure) {
            $figures[$key] = Money::round(
                BigRational::of($figure->major())->multipliedBy($with)->dividedBy($this->quantity),
                $figure->currency,
            )->minus($this->gone[$key]);
        }

        return Taken::of($quantity->value, $figures[self::NET], self::tax($figures), $figures[self::COST]);
    }

    /**
     * Money alone is given back: the price was wrong, or something is made up for.
     *
     * @param  Money  $amount what the customer gets, tax in it
     * @param  bool  $taxIncluded whether the line's net has its tax in it
     *
     * @throws Refused bad_amount, more_than_paid
     */
    public function giving(Money $amount, bool $taxIncluded = false): Taken
    {
        $left = $this->moneyLeft();
        $tax = self::tax($left);
        $net = $left[self::NET];
        $all = $taxIncluded ? $net : $net->plus(Money::sum($tax, $net->currency));

        match (true) {
            ! $amount->isPositive() => throw Refused::because('bad_amount', 'A credit is more than nothing.'),
            $amount->exceeds($all) => throw Refused::because(
                'more_than_paid',
                "Only {$all->toString()} of what was paid for it is left.",
            ),
            default => null,
        };
        $untaxed = $taxIncluded ? $net->minus(Money::sum($tax, $net->currency)) : $net;
        $shares = $amount->apportion(
            array_map(static fn (Money $share): BigDecimal => $share->major(), [$untaxed, ...array_values($tax)]),
        );
        $given = array_combine(array_keys($tax), array_slice($shares, 1));

        return Taken::of(BigDecimal::zero(), $taxIncluded ? $amount : $shares[0], $given);
    }

    /** @return array<string, Money> what is left of each figure */
    private function moneyLeft(): array
    {
        $left = [];

        foreach ($this->figures as $key => $figure) {
            $left[$key] = $figure->minus($this->gone[$key]);
        }

        return $left;
    }

    /**
     * @param  array<string, Money>  $tax
     * @return array<string, Money>
     */
    private static function figures(Money $net, array $tax, Money $cost): array
    {
        $figures = [self::NET => $net, self::COST => $cost];

        foreach ($tax as $component => $amount) {
            $figures[self::TAX.$component] = $amount;
        }

        return $figures;
    }

    /**
     * @param  array<string, Money>  $figures
     * @return array<string, Money> by component
     */
    private static function tax(array $figures): array
    {
        $tax = [];

        foreach ($figures as $key => $figure) {
            if (str_starts_with($key, self::TAX)) {
                $tax[substr($key, strlen(self::TAX))] = $figure;
            }
        }

        return $tax;
    }
}
