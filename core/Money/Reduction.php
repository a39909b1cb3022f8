<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

/** Something taken off: a percentage of what it is taken from, or a fixed amount not above it. */
final readonly class Reduction
{
    private function __construct(public ?Percentage $percent, public ?Money $amount)
    {
    }

    /** @throws Refused bad_percent when above 100 */
    public static function percent(string $percent): self
    {
        return new self(Percentage::ofWhole($percent), null);
    }

    /** @throws Refused bad_amount when below zero */
    public static function amount(Money $amount): self
    {
        return $amount->isNegative()
            ? throw Refused::because('bad_amount', 'A discount cannot be below zero.')
            : new self(null, $amount);
    }

    /**
     * As two columns keep it, of which one at most is filled.
     *
     * @throws Refused bad_percent when above 100, bad_amount when below zero
     */
    public static function stored(?Percentage $percent, ?Money $amount): ?self
    {
        return match (true) {
            $percent !== null => self::percent($percent->toString()),
            $amount !== null => self::amount($amount),
            default => null,
        };
    }

    /**
     * What it comes to.
     *
     * @throws Refused discount_too_large
     */
    public function of(Money $basis): Money
    {
        if ($this->percent !== null) {
            return $basis->percent($this->percent);
        }

        $amount = $this->amount ?? Money::zero($basis->currency);

        return $amount->exceeds($basis)
            ? throw Refused::because(
                'discount_too_large',
                "A discount of {$amount->toString()} is more than the {$basis->toString()} it comes off.",
            )
            : $amount;
    }
}
