<?php

declare(strict_types=1);

namespace Elmstone\Core\Till;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * A drawer from its float to its count: what should be in it, what is, what stays and what goes to the safe.
 * docs/rules.md, "Till sessions".
 */
final readonly class CashUp
{
    /** Float and what came in, less what went out. */
    public Money $expected;

    /** Below zero: it is short. */
    public Money $difference;

    private function __construct(Money $float, Money $in, Money $out, public Money $counted)
    {
        $this->expected = $float->plus($in)->minus($out);
        $this->difference = $counted->minus($this->expected);
    }

    /**
     * @param  Money  $float what was in it at the start
     * @param  Money  $in all that came in since
     * @param  Money  $out all that was handed out
     *
     * @throws Refused bad_amount
     */
    public static function of(Money $float, Money $in, Money $out, Money $counted): self
    {
        return new self(self::cash($float), self::cash($in), self::cash($out), self::cash($counted));
    }

    /**
     * An amount of cash.
     *
     * @throws Refused bad_amount
     */
    public static function cash(Money $amount): Money
    {
        return $amount->isNegative()
            ? throw Refused::because('bad_amount', 'Cash cannot be below zero.')
            : $amount;
    }

    /**
     * What goes to the safe.
     *
     * @param  Money|null  $leftIn the next float; null: nothing stays in
     *
     * @throws Refused bad_amount, left_in_too_large
     */
    public function banked(?Money $leftIn): Money
    {
        return match (true) {
            $leftIn === null => $this->counted,
            self::cash($leftIn)->exceeds($this->counted) => throw Refused::because(
                'left_in_too_large',
                "Only {$this->counted->toString()} is there; {$leftIn->toString()} cannot be left in.",
            ),
            default => $this->counted->minus($leftIn),
        };
    }
}
