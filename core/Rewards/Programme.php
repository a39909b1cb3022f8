<?php

declare(strict_types=1);

namespace Elmstone\Core\Rewards;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\FourPlaces;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * Points for what is bought, and store credit for points. docs/rules.md, "Rewards".
 */
final readonly class Programme
{
    /**
     * @param  BigDecimal  $perUnit points for each major unit of net, up to 4 places
     * @param  int  $threshold so many points become one reward
     * @param  Money  $reward store credit
     */
    private function __construct(public BigDecimal $perUnit, public int $threshold, public Money $reward)
    {
    }

    /** @throws Refused bad_points, bad_threshold, bad_reward */
    public static function of(string $perUnit, int $threshold, Money $reward): self
    {
        match (true) {
            $threshold < 1 => throw Refused::because('bad_threshold', 'A reward takes one point or more.'),
            ! $reward->isPositive() => throw Refused::because('bad_reward', 'A reward is more than nothing.'),
            default => null,
        };

        return new self(FourPlaces::read($perUnit, 'bad_points', 'a number of points'), $threshold, $reward);
    }

    /**
     * `floor(eligible net × points per unit)`; below zero where more came back than was bought.
     *
     * @throws Refused too_large
     */
    public function points(Money $eligible): int
    {
        return self::whole(self::weigh($eligible, $this->perUnit));
    }

    /** What a net figure weighs at a rate; figures at several rates are weighed each, and summed before points. */
    public static function weigh(Money $eligible, BigDecimal $perUnit): BigDecimal
    {
        return $eligible->major()->multipliedBy($perUnit);
    }

    /**
     * Whole points of what was weighed: what is not full of one does not count, either way.
     *
     * @throws Refused too_large
     */
    public static function whole(BigDecimal $weighed): int
    {
        $points = $weighed->toScale(0, RoundingMode::DOWN);

        return $points->abs()->isGreaterThan(1_000_000_000_000)
            ? throw Refused::because('too_large', 'That comes to more points than can be written down here.')
            : $points->toInt();
    }

    /**
     * What is taken back when part of a purchase comes back: its part of all that came back so far, rounded down, less
     * what was taken before. So the whole purchase takes back exactly what it gave.
     *
     * @param  int  $given points of the purchase
     * @param  BigDecimal  $weighed of the purchase
     * @param  BigDecimal  $gone of what came back, with this and all before it, weighed as it was sold
     * @param  int  $before points taken back by then
     *
     * @throws Refused more_than_left
     */
    public static function back(int $given, BigDecimal $weighed, BigDecimal $gone, int $before): int
    {
        $gone->isGreaterThan($weighed) && throw Refused::because('more_than_left', 'More came back than was bought.');

        return $weighed->isZero()
            ? 0
            : BigRational::of($gone)
                ->multipliedBy($given)
                ->dividedBy($weighed)
                ->toScale(0, RoundingMode::DOWN)
                ->toInt() - $before;
    }

    /** @param  int  $points there are; each full threshold becomes a reward */
    public function rewards(int $points): Earned
    {
        $times = $points > 0 ? intdiv($points, $this->threshold) : 0;

        return new Earned($points - $times * $this->threshold, $times, $this->reward->times($times));
    }
}
