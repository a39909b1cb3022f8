<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CashUp;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Core\Till\Denominations;

/** "till": a drawer from its float to its count. */
final readonly class TillAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'float', 'in', 'out', 'counted', 'left_in');
        $currency = $request->currency();
        $units = array_map(
            static fn (Node $unit): CountedUnit => self::unit($unit, $currency),
            $request->children('counted'),
        );
        $count = $request->checked('counted', static fn (): CashCount => CashCount::of($currency, $units));
        $cash = CashUp::of(
            self::cash($request, 'float', $currency),
            self::cash($request, 'in', $currency),
            self::cash($request, 'out', $currency),
            $count->total,
        );
        $leftIn = $request->has('left_in') ? self::cash($request, 'left_in', $currency) : null;

        return [
            'expected' => $cash->expected->toString(),
            'counted' => $cash->counted->toString(),
            'difference' => $cash->difference->toString(),
            'banked' => $request->checked('left_in', static fn () => $cash->banked($leftIn))->toString(),
        ];
    }

    private static function cash(Node $request, string $key, Currency $currency): Money
    {
        return $request->checked($key, static fn (): Money => CashUp::cash($request->money($key, $currency)));
    }

    private static function unit(Node $node, Currency $currency): CountedUnit
    {
        $node->only('unit', 'count');
        $unit = $node->money('unit', $currency);
        $node->checked('unit', static fn () => Denominations::of($currency)?->assertHas($unit));

        return $node->checked('count', static fn (): CountedUnit => CountedUnit::of($unit, $node->int('count')));
    }
}
