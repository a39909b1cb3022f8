<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;

/**
 * What is taken back of the shares in a line as it comes back in steps. docs/rules.md, "Shares".
 *
 * Of the net each has what the parts give of all that came back so far, less what was taken back before: so the shares
 * of a step come to the step's net, and of the whole line to the line's. Commission is taken back by pieces, as the
 * line's own figures are; where money alone goes back, by its part of what was left.
 */
final readonly class SharesBack
{
    /**
     * @param  list<PersonShare>  $shares
     * @param  list<Money>  $commission of the pieces below, by person
     * @param  list<Money>  $goneCommission of it
     * @param  list<Money>  $goneNet by person, of the whole line
     */
    private function __construct(
        private Sharing $sharing,
        private array $shares,
        private BigDecimal $quantity,
        private BigDecimal $gone,
        private Money $net,
        private array $commission,
        private array $goneCommission,
        private array $goneNet,
    ) {
    }

    /**
     * @param  non-empty-list<PersonShare>  $shares as the line was sold
     * @param  Money  $net of the line
     */
    public static function of(array $shares, BigDecimal $quantity, Money $net): self
    {
        $none = array_map(static fn (): Money => Money::zero($net->currency), $shares);

        return new self(
            Sharing::of(array_map(static fn (PersonShare $share): Part => $share->part, $shares)),
            $shares,
            $quantity,
            BigDecimal::zero(),
            $net,
            array_map(static fn (PersonShare $share): Money => $share->commission, $shares),
            $none,
            $none,
        );
    }

    /**
     * What a step takes from each.
     *
     * @param  BigDecimal  $quantity of what comes back; 0: money alone
     * @param  Money  $net of the step
     * @return list<PersonShare>
     */
    public function taking(BigDecimal $quantity, Money $net): array
    {
        $commission = $this->commissionOf($quantity, $net);
        $shares = [];

        foreach ($this->sharing->divided(Money::sum($this->goneNet, $net->currency)->plus($net)) as $i => $so) {
            $shares[] = new PersonShare(
                $this->shares[$i]->part,
                $so->minus($this->goneNet[$i]),
                $this->shares[$i]->rate,
                $commission[$i],
            );
        }

        return $shares;
    }

    /** The same after a step. */
    public function after(BigDecimal $quantity, Money $net): self
    {
        $taken = $this->taking($quantity, $net);
        $goneNet = array_map(static fn (Money $gone, PersonShare $of): Money => $gone->plus($of->net), $this->goneNet,
            $taken);
        $gone = array_map(static fn (Money $gone, PersonShare $of): Money => $gone->plus($of->commission),
            $this->goneCommission, $taken);

        return $quantity->isZero()
            ? new self(
                $this->sharing, $this->shares, $this->quantity->minus($this->gone), BigDecimal::zero(), $this->net,
                array_map(static fn (Money $all, Money $of): Money => $all->minus($of), $this->commission, $gone),
                array_map(static fn (Money $of): Money => $of->minus($of), $gone),
                $goneNet,
            )
            : new self(
                $this->sharing, $this->shares, $this->quantity, $this->gone->plus($quantity), $this->net,
                $this->commission, $gone, $goneNet,
            );
    }

    /** @return list<Money> */
    private function commissionOf(BigDecimal $quantity, Money $net): array
    {
        $left = $this->net->minus(Money::sum($this->goneNet, $net->currency));

        return array_map(
            fn (Money $all, Money $gone): Money => match (true) {
                $quantity->isZero() && $left->isZero() => $net->minus($net),
                $quantity->isZero() => self::round($all->minus($gone), $net->major(), $left->major()),
                default => self::round($all, $this->gone->plus($quantity), $this->quantity)->minus($gone),
            },
            $this->commission,
            $this->goneCommission,
        );
    }

    private static function round(Money $of, BigDecimal $part, BigDecimal $whole): Money
    {
        return Money::round(
            BigRational::of($of->major())->multipliedBy($part)->dividedBy($whole),
            $of->currency,
        );
    }
}
