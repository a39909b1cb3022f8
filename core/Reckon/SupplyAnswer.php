<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\FourPlaces;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Core\Orders\Supply;

/** "supply": what so many of an ordered line come to, after what was supplied of it before. */
final readonly class SupplyAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'line', 'supplied', 'quantity');
        $currency = $request->currency();
        $supply = $request->checked('line', static fn (): Supply => Supply::of(
            self::figures($request->child('line'), $currency),
        ));

        foreach ($request->children('supplied') as $i => $before) {
            $supply = $request->checked(
                "supplied[{$i}]",
                static fn (): Supply => $supply->after(self::figures($before, $currency)),
            );
        }

        $now = $request->checked(
            'quantity',
            static fn (): LineFigures => $supply->supplying($request->read('quantity', Quantity::of(...))),
        );

        return [
            'gross' => $now->gross->toString(),
            'line_discount' => $now->lineDiscount->toString(),
            'slip_discount' => $now->slipDiscount->toString(),
            'net' => $now->net()->toString(),
            'left' => (string) $supply->after($now)->left()->stripTrailingZeros(),
        ];
    }

    private static function figures(Node $node, Currency $currency): LineFigures
    {
        $node->only('quantity', 'gross', 'line_discount', 'slip_discount');
        $money = static fn (string $key): Money => $node->money($key, $currency);
        $quantity = $node->read(
            'quantity',
            static fn (string $typed): BigDecimal => FourPlaces::read($typed, 'bad_quantity', 'a quantity'),
        );

        foreach (['gross', 'line_discount', 'slip_discount'] as $key) {
            $money($key)->isNegative()
                && throw new BadRequest('bad_amount', 'What is ordered cannot be below zero.', $node->at($key));
        }

        return new LineFigures($quantity, $money('gross'), $money('line_discount'), $money('slip_discount'));
    }
}
