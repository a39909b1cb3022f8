<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigInteger;
use Brick\Math\BigNumber;
use InvalidArgumentException;

/**
 * The arithmetic behind Money::apportion, on whole minor units.
 */
final readonly class Apportionment
{
    /**
     * @param int $amount minor units, not below zero
     * @param non-empty-list<BigNumber> $weights none below zero
     *
     * @return non-empty-list<int> minor units, summing to the amount
     */
    public static function of(int $amount, array $weights): array
    {
        $whole = self::asIntegers($weights);
        $total = BigInteger::zero();

        foreach ($whole as $weight) {
            $total = $total->plus($weight);
        }

        return $total->isZero()
            ? [$amount, ...array_fill(0, count($weights) - 1, 0)]
            : self::largestRemainders($amount, $whole, $total);
    }

    /**
     * @param non-empty-list<BigInteger> $weights
     *
     * @return non-empty-list<int>
     */
    private static function largestRemainders(int $amount, array $weights, BigInteger $total): array
    {
        $shares = [];
        $remainders = [];
        $left = $amount;

        foreach ($weights as $i => $weight) {
            [$share, $remainders[$i]] = $weight->multipliedBy($amount)->quotientAndRemainder($total);
            $left -= $shares[$i] = $share->toInt();
        }

        if ($left === 0) {
            return $shares;
        }

        $order = array_keys($remainders);
        usort($order, static fn (int $a, int $b): int => $remainders[$b]->compareTo($remainders[$a]) ?: $a <=> $b);

        foreach (array_slice($order, 0, $left) as $i) {
            $shares[$i]++;
        }

        return $shares;
    }

    /**
     * Scales all weights by the same power of ten until they are whole.
     *
     * @param non-empty-list<BigNumber> $weights
     *
     * @return non-empty-list<BigInteger>
     */
    private static function asIntegers(array $weights): array
    {
        $decimals = array_map(static fn (BigNumber $weight) => $weight->toBigDecimal(), $weights);
        $places = max(array_map(static fn ($decimal) => $decimal->getScale(), $decimals));

        return array_map(static fn ($decimal) => $decimal->isNegative()
            ? throw new InvalidArgumentException('A weight cannot be below zero.')
            : $decimal->toScale($places)->getUnscaledValue(), $decimals);
    }
}
