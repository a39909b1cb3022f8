<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Closure;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxComponent;
use PHPUnit\Framework\TestCase;

abstract class CoreCase extends TestCase
{
    protected static function usd(string $amount): Money
    {
        return Money::of($amount, Currency::of('USD'));
    }

    /**
     * @param  array<Money>  $amounts
     * @return list<string>
     */
    protected static function written(array $amounts): array
    {
        return array_values(array_map(static fn (Money $amount): string => $amount->toString(), $amounts));
    }

    protected static function line(
        string $quantity,
        string $price,
        int $per = 1,
        string $class = 'standard',
        ?Reduction $discount = null,
        bool $mayDiscount = true,
        Direction $direction = Direction::Out,
    ): SlipLine {
        return SlipLine::of(
            uniqid(),
            $direction,
            Quantity::of($quantity),
            UnitPrice::of($price),
            $per,
            $class,
            $discount,
            $mayDiscount,
        );
    }

    /**
     * @param  list<string>  $classes
     * @param  list<string>  $onTopOf
     */
    protected static function tax(
        string $id,
        string $rate,
        array $classes = ['standard'],
        array $onTopOf = [],
    ): TaxComponent {
        return new TaxComponent($id, Percentage::of($rate), $classes, $onTopOf);
    }

    /** @param  Closure(): mixed  $do */
    protected static function assertRefused(string $rule, Closure $do): void
    {
        try {
            $do();
        } catch (Refused $refused) {
            self::assertSame($rule, $refused->rule, $refused->getMessage());

            return;
        }

        self::fail("Nothing was refused; {$rule} was expected.");
    }
}
