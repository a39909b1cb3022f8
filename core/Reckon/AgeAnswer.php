<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Core\Receivables\OpenItem;

/** "age": open items by how late they are. */
final readonly class AgeAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'as_of', 'items');
        $currency = $request->currency();
        $items = array_map(
            static fn (Node $item): OpenItem => self::item($item, $currency),
            $request->children('items'),
        );
        $ageing = $request->checked(
            'items',
            static fn (): Ageing => Ageing::of($currency, $request->date('as_of'), $items),
        );

        return [
            ...array_map(static fn (Money $amount): string => $amount->toString(), $ageing->columns),
            'balance' => $ageing->balance->toString(),
        ];
    }

    private static function item(Node $node, Currency $currency): OpenItem
    {
        $node->only('id', 'kind', 'date', 'due', 'open');
        $id = $node->string('id');
        $date = $node->date('date');
        $open = $node->money('open', $currency);

        return match ($node->string('kind', 'charge')) {
            'charge' => $node->checked(
                'open',
                static fn (): OpenItem => OpenItem::charge($id, $date, $node->date('due'), $open),
            ),
            'credit' => $node->checked('open', static fn (): OpenItem => OpenItem::credit($id, $date, $open)),
            default => throw new BadRequest('bad_kind', 'An item is a charge or a credit.', $node->at('kind')),
        };
    }
}
