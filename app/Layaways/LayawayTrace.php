<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Held\Ledger\Movement;
use Elmstone\MoneyOut\Traces;
use Elmstone\Shop\House;

/** By which ways layaway money had come in that became a deposit. */
final class LayawayTrace implements Traces
{
    public function __construct(private readonly House $house)
    {
    }

    public function ways(int $document): ?array
    {
        $layaway = Layaway::query()
            ->whereRelation('entries', ['document_id' => $document, 'movement' => Movement::Moved])
            ->toBase()
            ->value('id');

        return is_int($layaway) ? LayawayMoney::of($layaway, $this->house->currency())->moved[$document] ?? null : null;
    }
}
