<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\MoneyOut\Traces;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/** By which ways layaway money had come in that became a deposit. */
final class LayawayTrace implements Traces
{
    public function __construct(private readonly House $house)
    {
    }

    public function ways(int $document): ?array
    {
        $layaway = DB::table('layaway_entries')
            ->where('document_id', $document)
            ->where('kind', EntryKind::Moved->value)
            ->value('layaway_id');

        return is_int($layaway) ? LayawayMoney::of($layaway, $this->house->currency())->moved[$document] ?? null : null;
    }
}
