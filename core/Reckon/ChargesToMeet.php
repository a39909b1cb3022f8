<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Receivables\OpenItem;

/** The open items of a request that a payment can meet. */
final readonly class ChargesToMeet
{
    /** @return list<OpenItem> */
    public static function in(Node $request, Currency $currency): array
    {
        $seen = [];

        return array_map(static function (Node $item) use ($currency, &$seen): OpenItem {
            $item->only('id', 'date', 'due', 'open');
            $id = $item->string('id');

            if (isset($seen["id {$id}"])) {
                throw new BadRequest('bad_item', "“{$id}” is there twice.", $item->at('id'));
            }

            $seen["id {$id}"] = true;

            return $item->checked(
                'open',
                static fn (): OpenItem => OpenItem::charge(
                    $id,
                    $item->date('date'),
                    $item->date('due'),
                    $item->money('open', $currency),
                ),
            );
        }, $request->children('items'));
    }
}
