<?php

declare(strict_types=1);

namespace Elmstone\Core\Consignment;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;

/**
 * What the owner of goods has of what they were sold for. docs/rules.md, "Consignment".
 */
final readonly class OwnerShare
{
    private function __construct(public Percentage $percent)
    {
    }

    /** @throws Refused bad_percent where it is above 100 */
    public static function percent(string $percent): self
    {
        $share = Percentage::of($percent);

        return $share->value->isGreaterThan(100)
            ? throw Refused::because('bad_percent', 'An owner cannot have more than 100 % of what it was sold for.')
            : new self($share);
    }

    /** Of one line: `round(net × percent ÷ 100)`, the net without tax. */
    public function of(Money $net): Money
    {
        return $net->percent($this->percent);
    }

    /**
     * What is taken back of it: `round(share × (q' + r) ÷ q) − share'`, as of every other figure of the line.
     *
     * @param  Money  $share of the line, as it was sold
     * @param  Quantity  $gone pieces that came back, with these and all before them
     * @param  Money  $before of the share, taken back by then
     *
     * @throws Refused more_than_left
     */
    public static function back(Money $share, Quantity $sold, Quantity $gone, Money $before): Money
    {
        $gone->value->isGreaterThan($sold->value) && throw Refused::because(
            'more_than_left',
            'More came back than was sold.',
        );

        return Money::round(
            BigRational::of($share->major())->multipliedBy($gone->value)->dividedBy($sold->value),
            $share->currency,
        )->minus($before);
    }
}
