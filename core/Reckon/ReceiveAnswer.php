<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Brick\Math\BigDecimal;
use Elmstone\Core\Catalogue\MovingAverage;
use Elmstone\Core\Money\FourPlaces;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/** "receive": what a unit costs on average when more of it comes in. */
final readonly class ReceiveAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'on_hand', 'cost', 'lines', 'quantity');
        $onHand = $request->read('on_hand', self::onHand(...));
        $quantity = $request->read('quantity', Quantity::of(...));
        $amount = $request->money('lines', $request->currency());
        $amount->isNegative()
            && throw new BadRequest('below_zero', 'What goods cost cannot be below zero.', 'lines');
        $cost = MovingAverage::of(
            $onHand,
            $request->read('cost', UnitPrice::of(...)),
            $quantity->value,
            $amount->major(),
        );

        return [
            'cost' => (string) $cost->value->toScale(4),
            'on_hand' => (string) $onHand->plus($quantity->value)->stripTrailingZeros(),
        ];
    }

    /** May be below zero: more was sold than was there. */
    private static function onHand(string $typed): BigDecimal
    {
        return str_starts_with($typed, '-')
            ? FourPlaces::read(substr($typed, 1), 'bad_quantity', 'a quantity')->negated()
            : FourPlaces::read($typed, 'bad_quantity', 'a quantity');
    }
}
