<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/** Whose sale a document is, for its page. */
final class SoldBy
{
    /** Names, with what of the net each has where there are several; empty: who rang it up alone. */
    public static function words(Document $document): string
    {
        $people = DB::table('document_shares')
            ->where('document_id', $document->id)
            ->groupBy('staff_id')
            ->orderByRaw('ABS(SUM(net)) DESC, staff_id')
            ->selectRaw('staff_id, CAST(SUM(net) AS SIGNED) AS net')
            ->get();
        $names = Staff::query()->whereIn('id', $people->pluck('staff_id'))->pluck('name', 'id');

        $first = $people->first();

        return match (true) {
            $first === null => $document->seller_id === $document->staff_id ? '' : $document->seller->name,
            $people->count() === 1 => (int) $first->staff_id === $document->staff_id
                ? ''
                : (string) $names[$first->staff_id],
            default => $people
                ->map(static fn (object $one): string => "{$names[$one->staff_id]} "
                    .Show::money(Money::ofMinor((int) $one->net, $document->currency())))
                ->implode(', '),
        };
    }
}
