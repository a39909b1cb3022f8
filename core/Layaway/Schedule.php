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

        $instalments = [];

        foreach ($total->apportion(array_fill(0, $count, BigInteger::one())) as $step => $amount) {
            $instalments[] = new Instalment($rhythm->after($firstDue, $step), $amount);
        }

        return new self($total, $instalments);
    }
}
