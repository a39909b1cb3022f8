<?php

declare(strict_types=1);

namespace Elmstone\Core\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;

/**
 * What is supplied of an ordered line, and for how much. docs/rules.md, "Orders".
 *
 * Each figure of r pieces is `round(X × (q' + r) ÷ q) − X'`, X being the line's figure, q' and X' what was supplied
 * before. So any number of supplies sums to the order exactly.
 */
final readonly class Supply
{
    private function __construct(public LineFigures $ordered, public LineFigures $supplied)
    {
    }

    /** @throws Refused nothing_ordered, more_than_left */
    public static function of(LineFigures $ordered, ?LineFigures $supplied = null): self
    {
        $supplied ??= LineFigures::none($ordered->gross->currency);

        match (true) {
            ! $ordered->quantity->isPositive() => throw Refused::because('nothing_ordered', 'Nothing is ordered.'),
            $supplied->quantity->isGreaterThan($ordered->quantity) => throw Refused::because(
                'more_than_left',
                'More was supplied than was ordered.',
            ),
            default => null,
        };

        return new self($ordered, $supplied);
    }

    /** How many are still to be supplied. */
    public function left(): BigDecimal
    {
        return $this->ordered->quantity->minus($this->supplied->quantity);
    }

    /** @throws Refused more_than_left */
    public function supplying(Quantity $quantity): LineFigures
    {
        $with = $this->supplied->quantity->plus($quantity->value);

        if ($with->isGreaterThan($this->ordered->quantity)) {
            throw Refused::because(
                'more_than_left',
                $this->left()->isZero()
                    ? 'All of it was supplied already.'
                    : "Only {$this->left()->stripTrailingZeros()} can still be supplied.",
            );
        }

        return $this->ordered->upTo($with)->minus($this->supplied);
    }

    public function after(LineFigures $now): self
    {
        return self::of($this->ordered, $this->supplied->plus($now));
    }

    /**
     * A charge that is one, freight, spread over what is supplied: the share that goes with so much of the net.
     *
     * @param  Money  $net what all that is ordered comes to, without it
     * @param  Money  $reached what was supplied of that until now, this time with it
     */
    public function spread(Money $net, Money $reached): LineFigures
    {
        $part = $net->isZero() || ! $net->exceeds($reached)
            ? $this->ordered
            : self::shareOf($this->ordered, $net, $reached);

        return $part->minus($this->supplied);
    }

    private static function shareOf(LineFigures $all, Money $net, Money $reached): LineFigures
    {
        $scaled = new LineFigures($net->major(), $all->gross, $all->lineDiscount, $all->slipDiscount);
        $part = $scaled->upTo($reached->major());

        return new LineFigures($all->quantity, $part->gross, $part->lineDiscount, $part->slipDiscount);
    }
}
