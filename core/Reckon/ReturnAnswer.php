<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\FourPlaces;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Returns\Returnable;
use Elmstone\Core\Returns\SoldLine;
use Elmstone\Core\Returns\Taken;

/** "return": what so many pieces of a sold line give back, after what came back before. */
final readonly class ReturnAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'line', 'taken', 'quantity', 'amount', 'tax_included');
        $currency = $request->currency();
        $included = $request->bool('tax_included', false);
        $line = $request->child('line')->only('quantity', 'net', 'tax');
        $returnable = Returnable::of(
            new SoldLine(
                $line->read('quantity', Quantity::of(...)),
                self::positive($line, 'net', $currency),
                self::tax($line, $currency),
            ),
        );

        foreach ($request->children('taken') as $i => $step) {
            $returnable = $request->checked(
                "taken[{$i}]",
                static fn (): Returnable => $returnable->after(self::taken($step, $currency)),
            );
        }

        $taken = match ([$request->has('quantity'), $request->has('amount')]) {
            [false, true] => $request->checked(
                'amount',
                static fn (): Taken => $returnable->giving($request->money('amount', $currency), $included),
            ),
            [true, true] => throw new BadRequest(
                'bad_request',
                'Either a quantity comes back or an amount is given back, not both.',
                'amount',
            ),
            default => $request->checked(
                'quantity',
                static fn (): Taken => $returnable->returning($request->read('quantity', Quantity::of(...))),
            ),
        };

        return [
            'net' => $taken->net->toString(),
            'tax' => (object) array_map(static fn (Money $tax): string => $tax->toString(), $taken->tax),
            'total' => ($included ? $taken->net : $taken->withTax())->toString(),
            'left' => (string) $returnable->after($taken)->left()->stripTrailingZeros(),
        ];
    }

    private static function taken(Node $step, Currency $currency): Taken
    {
        $step->only('quantity', 'net', 'tax');
        $quantity = $step->has('quantity')
            ? $step->read(
                'quantity',
                static fn (string $typed): BigDecimal => FourPlaces::read($typed, 'bad_quantity', 'a quantity'),
            )
            : BigDecimal::zero();

        return Taken::of($quantity, self::positive($step, 'net', $currency), self::tax($step, $currency));
    }

    /** @return array<string, Money> */
    private static function tax(Node $node, Currency $currency): array
    {
        if (! $node->has('tax')) {
            return [];
        }

        $tax = $node->child('tax');
        $amounts = [];

        foreach ($tax->keys() as $component) {
            $amounts[$component] = self::positive($tax, $component, $currency);
        }

        return $amounts;
    }

    private static function positive(Node $node, string $key, Currency $currency): Money
    {
        $amount = $node->money($key, $currency);

        return $amount->isNegative()
            ? throw new BadRequest('bad_amount', 'What was paid cannot be below zero.', $node->at($key))
            : $amount;
    }
}
