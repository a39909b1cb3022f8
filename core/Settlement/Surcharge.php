<?php

declare(strict_types=1);

namespace Elmstone\Core\Settlement;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;

/** What paying by one kind of card costs who pays: so many percent, up to a cap. docs/rules.md, "Card surcharge". */
final readonly class Surcharge
{
    /**
     * @param  Money|null  $cap never more than this; null: no cap
     *
     * @throws Refused bad_percent, below_zero
     */
    public function __construct(public Percentage $percent, public ?Money $cap = null)
    {
        $percent->value->isGreaterThan(100) && throw Refused::because(
            'bad_percent',
            'A surcharge cannot be more than 100 % of what is paid.',
        );
        $cap?->isNegative() === true && throw Refused::because('below_zero', 'A cap cannot be below zero.');
    }

    /**
     * `min(cap, round(amount × percent ÷ 100))`
     *
     * @param  Money  $amount what the card is to pay, the surcharge not in it
     *
     * @throws Refused below_zero
     */
    public function on(Money $amount): Money
    {
        $amount->isNegative() && throw Refused::because('below_zero', 'A card cannot pay less than nothing.');
        $surcharge = $amount->percent($this->percent);

        return $this->cap === null ? $surcharge : Money::min($this->cap, $surcharge);
    }

    /**
     * Where a terminal approves a part only: so much of the surcharge is in it, rounded down, so that it is never more
     * of the rest than was said.
     *
     * @param  Money  $asked of the card, the surcharge in it
     *
     * @throws Refused below_zero
     */
    public static function partly(Money $surcharge, Money $asked, Money $approved): Money
    {
        $approved->isNegative() && throw Refused::because('below_zero', 'A card cannot pay less than nothing.');

        return $asked->isZero() || ! $asked->exceeds($approved)
            ? $surcharge
            : Money::of(
                (string) BigRational::of($surcharge->major())
                    ->multipliedBy($approved->major())
                    ->dividedBy($asked->major())
                    ->toScale($asked->currency->places, RoundingMode::DOWN),
                $asked->currency,
            );
    }

    /**
     * What comes back of a surcharge when something is given back to the card: its part of all that came back so far,
     * less what came back before, so that it comes back whole with the last of it.
     *
     * @param  Money  $surcharge as it was paid
     * @param  Money  $paid by the card, without the surcharge
     * @param  Money  $refunded to the card with this refund and all before it, without surcharge
     * @param  Money  $before of the surcharge, given back by then
     *
     * @throws Refused more_than_paid
     */
    public static function back(Money $surcharge, Money $paid, Money $refunded, Money $before): Money
    {
        match (true) {
            $refunded->exceeds($paid) => throw Refused::because('more_than_paid', 'More came back than was paid.'),
            default => null,
        };

        return $paid->isZero()
            ? Money::zero($paid->currency)
            : Money::round(
                BigRational::of($surcharge->major())->multipliedBy($refunded->major())->dividedBy($paid->major()),
                $paid->currency,
            )->minus($before);
    }
}
