<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Brick\Math\BigInteger;
use Elmstone\Core\Money\Money;

/**
 * Money goes back the way it came: what goes back is shared out over the ways by what each brought and can still carry.
 */
final class AsItCame
{
    /**
     * @param  array<int|string, Money>  $brought by way, what each brought and can still carry
     * @return array<string, Money> by way; together the amount, or as much of it as they can carry
     */
    public static function share(Money $amount, array $brought): array
    {
        $brought = array_filter($brought, static fn (Money $one): bool => $one->isPositive());
        $amount = Money::min($amount, Money::sum($brought, $amount->currency));

        if ($brought === [] || ! $amount->isPositive()) {
            return [];
        }

        // No share exceeds its weight: a share is rounded up at most, and what a way brought is a whole number of
        // cents.
        $shares = $amount->apportion(
            array_values(array_map(static fn (Money $one): BigInteger => BigInteger::of($one->minor), $brought)),
        );

        return array_filter(
            array_combine(array_map(strval(...), array_keys($brought)), $shares),
            static fn (Money $share): bool => $share->isPositive(),
        );
    }

    /**
     * What of one payment went to each of several things it paid for: each gets its amount, each way is used up
     * exactly, and in the end nothing is over.
     *
     * @param  array<int|string, Money>  $amounts by what it paid for, in order; together what the ways come to
     * @param  array<string, Money>  $ways what came in by each
     * @return array<int|string, array<string, Money>> by what it paid for and way
     */
    public static function spread(array $amounts, array $ways): array
    {
        $spread = [];

        foreach ($amounts as $name => $amount) {
            $spread[$name] = self::share($amount, $ways);

            foreach ($spread[$name] as $way => $part) {
                $ways[$way] = $ways[$way]->minus($part);
            }
        }

        return $spread;
    }

    /**
     * The same for all the sums a credit is made up of.
     *
     * @param  list<MoneySource>  $sources
     * @return array<string, Money> by way
     */
    public static function of(array $sources): array
    {
        $wanted = [];

        foreach ($sources as $source) {
            foreach (self::share($source->amount, $source->brought()) as $way => $share) {
                $wanted[$way] = isset($wanted[$way]) ? $wanted[$way]->plus($share) : $share;
            }
        }

        return $wanted;
    }
}
