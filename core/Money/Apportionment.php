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
     * @param  int  $amount minor units, not below zero
     * @param  non-empty-list<BigNumber>  $weights none below zero
     * @return non-empty-list<int> minor units, summing to the amount
     */
    public static function of(int $amount, array $weights): array
    {
        $whole = self::asIntegers($weights);
        $total = BigInteger::zero();

        foreach ($whole as $weight) {
            $total = $total->plus($weight);
        }

        return $total->isLessThanOrEqualTo(PHP_INT_MAX)
            ? self::by($amount, array_map(static fn (BigInteger $weight): int => $weight->toInt(), $whole))
            : self::raised($amount, ...self::divided($amount, $whole, $total));
    }

    /**
     * The same in proportion to whole numbers.
     *
     * @param  int  $amount minor units, not below zero
     * @param  non-empty-list<int>  $weights none below zero
     * @return non-empty-list<int> minor units, summing to the amount
     */
    public static function by(int $amount, array $weights): array
    {
        if (min($weights) < 0) {
            throw new InvalidArgumentException('A weight cannot be below zero.');
        }

        $total = self::sum($weights, intdiv(PHP_INT_MAX, max(1, $amount)));

        if ($total === 0) {
            return [$amount, ...array_fill(0, count($weights) - 1, 0)];
        }

        $big = static fn (int $weight): BigInteger => BigInteger::of($weight);

        return $total !== null
            ? self::raised($amount, ...self::dividedPlainly($amount, $weights, $total))
            : self::raised($amount, ...self::divided($amount, array_map($big, $weights), BigInteger::sum(...$weights)));
    }

    /**
     * @param  non-empty-list<int>  $numbers none below zero
     * @return int|null null: it is more than the most
     */
    private static function sum(array $numbers, int $most): ?int
    {
        $sum = 0;

        foreach ($numbers as $number) {
            if ($number > $most - $sum) {
                return null;
            }

            $sum += $number;
        }

        return $sum;
    }

    /**
     * One more for the largest remainders, as many as are left over.
     *
     * @param  non-empty-list<int>  $shares
     * @param  non-empty-list<int>  $remainders
     * @return non-empty-list<int>
     */
    private static function raised(int $amount, array $shares, array $remainders): array
    {
        $left = $amount - array_sum($shares);
        $places = array_keys($shares);
        // PHP's sort is stable, so that of equal remainders the earlier one stays in front.
        usort($places, static fn (int $a, int $b): int => $remainders[$b] <=> $remainders[$a]);
        $raised = array_flip(array_slice($places, 0, $left));

        return array_map(
            static fn (int $share, int $place): int => isset($raised[$place]) ? $share + 1 : $share,
            $shares,
            array_keys($shares),
        );
    }

    /**
     * Where no product is too large for a whole number of PHP: most of the time, and much faster.
     *
     * @param  non-empty-list<int>  $weights
     * @return array{non-empty-list<int>, non-empty-list<int>} shares and remainders
     */
    private static function dividedPlainly(int $amount, array $weights, int $total): array
    {
        $products = array_map(static fn (int $weight): int => $weight * $amount, $weights);

        return [
            array_map(static fn (int $product): int => intdiv($product, $total), $products),
            array_map(static fn (int $product): int => $product % $total, $products),
        ];
    }

    /**
     * @param  non-empty-list<BigInteger>  $weights
     * @return array{non-empty-list<int>, non-empty-list<int>} shares, and the places of the remainders in their order,
     *     equal ones sharing a place
     */
    private static function divided(int $amount, array $weights, BigInteger $total): array
    {
        $divided = array_map(
            static fn (BigInteger $weight): array => $weight->multipliedBy($amount)->quotientAndRemainder($total),
            $weights,
        );
        $ordered = array_map(static fn (array $parts): BigInteger => $parts[1], $divided);
        usort($ordered, static fn (BigInteger $a, BigInteger $b): int => $a->compareTo($b));
        $places = [];

        foreach ($ordered as $place => $remainder) {
            $places[(string) $remainder] ??= $place;
        }

        return [
            array_map(static fn (array $parts): int => $parts[0]->toInt(), $divided),
            array_map(static fn (array $parts): int => $places[(string) $parts[1]], $divided),
        ];
    }

    /**
     * Scales all weights by the same power of ten until they are whole.
     *
     * @param  non-empty-list<BigNumber>  $weights
     * @return non-empty-list<BigInteger>
     */
    private static function asIntegers(array $weights): array
    {
        $decimals = array_map(static fn (BigNumber $weight) => $weight->toBigDecimal(), $weights);
        $places = max(array_map(static fn ($decimal) => $decimal->getScale(), $decimals));

        return array_map(
            static fn ($decimal) => $decimal->isNegative()
                ? throw new InvalidArgumentException('A weight cannot be below zero.')
                : $decimal->toScale($places)->getUnscaledValue(),
            $decimals,
        );
    }
}
