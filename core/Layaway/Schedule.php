<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use Brick\Math\BigInteger;
use DateTimeImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** Instalments that sum exactly to what is to be paid; the earlier ones carry the odd cents. */
final readonly class Schedule
{
    public const MOST = 1200;

    /** @param  non-empty-list<Instalment>  $instalments */
    private function __construct(public Money $total, public array $instalments)
    {
    }

    /**
     * @param  Money  $total not below zero, any charge already in it
     *
     * @throws Refused bad_count, bad_amount
     */
    public static function of(Money $total, int $count, DateTimeImmutable $firstDue, Rhythm $rhythm): self
    {
        if ($count < 1 || $count > self::MOST) {
            throw Refused::because('bad_count', 'There are between 1 and '.self::MOST.' instalments.');
        }

        if ($total->isNegative()) {
            throw Refused::because('bad_amount', 'What is to be paid cannot be below zero.');
        }

        return self::over(
            $total,
            array_map(
                static fn (int $step): DateTimeImmutable => $rhythm->after($firstDue, $step),
                range(0, $count - 1),
            ),
        );
    }

    /**
     * Even shares over dates that stand already.
     *
     * @param  non-empty-list<DateTimeImmutable>  $dates in their order
     */
    public static function over(Money $total, array $dates): self
    {
        $shares = $total->apportion(array_fill(0, count($dates), BigInteger::one()));

        return new self(
            $total,
            array_map(
                static fn (DateTimeImmutable $due, Money $share): Instalment => new Instalment($due, $share),
                $dates,
                $shares,
            ),
        );
    }
}
