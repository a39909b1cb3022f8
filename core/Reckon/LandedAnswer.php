<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Purchasing\LandedCost;

/** "landed": the freight of a delivery on its lines, and what a unit of each costs with it. */
final readonly class LandedAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'freight', 'lines');
        $currency = $request->currency();
        $lines = $request->children('lines');
        $amounts = array_map(
            static fn (Node $line): Money => $line->only('id', 'quantity', 'amount')->money('amount', $currency),
            $lines,
        );
        $shares = $request->checked(
            'freight',
            static fn (): array => LandedCost::shares($request->money('freight', $currency), $amounts),
        );

        return [
            'lines' => array_map(
                static fn (Node $line, LandedCost $landed): array => [
                    'id' => $line->string('id'),
                    'freight' => $landed->freight->toString(),
                    'amount' => $landed->amount->toString(),
                    'unit_cost' => (string) $landed->perUnit($line->read('quantity', Quantity::of(...)))->value
                        ->toScale(4),
                ],
                $lines,
                $shares,
            ),
        ];
    }
}
