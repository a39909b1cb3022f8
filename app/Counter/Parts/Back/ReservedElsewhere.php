<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Illuminate\Support\Facades\DB;

/** Originals of which a card is being paid back on another slip that is not posted yet. */
final class ReservedElsewhere
{
    /** @return list<Refused> */
    public static function of(Slip $slip): array
    {
        if ($slip->isPosted()) {
            return [];
        }

        $ids = $slip->returns->pluck('origin_document_id')->filter()->unique()->all();
        $rows = $ids === []
                ? []
                : DB::table('slip_returns as r')
                    ->join('slips as s', 's.id', '=', 'r.slip_id')
                    ->join('documents as d', 'd.id', '=', 'r.origin_document_id')
                    ->join('tills as t', 't.id', '=', 's.till_id')
                    ->join(
                        'card_requests as c',
                        static fn ($join) => $join
                            ->on('c.subject_id', '=', 's.id')
                            ->where('c.subject', 'slip')
                            ->where('c.against', '<>', '')
                            ->whereNull('c.document_id')
                            ->whereIn('c.state', CardState::live()),
                    )
                    ->whereIn('r.origin_document_id', $ids)
                    ->where('s.id', '<>', $slip->id)
                    ->where('s.state', SlipState::Open->value)
                    ->distinct()
                    ->get(['d.label', 't.number']);

        return array_values(
            array_map(
                static fn (object $row): Refused => Refused::because(
                    'reserved_elsewhere',
                    "A card is being paid back for {$row->label} on a slip at till {$row->number}. Post that one or "
                        .'undo it first.',
                ),
                is_array($rows) ? $rows : $rows->all(),
            ),
        );
    }
}
