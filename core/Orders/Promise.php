<?php

declare(strict_types=1);

namespace Elmstone\Core\Orders;

use Brick\Math\BigDecimal;
use DateTimeImmutable;

/**
 * What can be promised of an item at a place by a day: `on hand + purchases expected by then − committed − what older
 * orders wait for`. docs/rules.md, "Orders". Whoever is promised something is older to the next who asks, so that no
 * piece is promised twice.
 */
final readonly class Promise
{
    /** @param  list<Expected>  $expected by their days */
    private function __construct(private BigDecimal $free, private array $expected)
    {
    }

    /**
     * @param  BigDecimal  $waiting what older orders wait for, wherever it comes from
     * @param  list<Expected>  $expected purchases on their way, what is bought for somebody among them not
     */
    public static function of(BigDecimal $onHand, BigDecimal $committed, BigDecimal $waiting, array $expected): self
    {
        usort($expected, static fn (Expected $one, Expected $other): int => $one->day <=> $other->day);

        return new self($onHand->minus($committed)->minus($waiting), $expected);
    }

    /** So much can be promised by a day; below zero: so much is short already. */
    public function on(DateTimeImmutable $day): BigDecimal
    {
        $promised = $this->free;

        foreach ($this->expected as $coming) {
            $promised = $coming->day <= $day ? $promised->plus($coming->quantity) : $promised;
        }

        return $promised;
    }

    /**
     * The first day by which so much can be promised.
     *
     * @param  DateTimeImmutable  $from the day that it could be had at once
     * @return DateTimeImmutable|null null: what is bought does not reach
     */
    public function dayFor(BigDecimal $quantity, DateTimeImmutable $from): ?DateTimeImmutable
    {
        foreach ([$from, ...array_map(static fn (Expected $one) => $one->day, $this->expected)] as $day) {
            if ($day >= $from && $this->on($day)->isGreaterThanOrEqualTo($quantity)) {
                return $day;
            }
        }

        return null;
    }
}
