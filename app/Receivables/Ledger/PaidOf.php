<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What was set against invoices that were charged, by day: as they were paid, credited, or that was taken back. */
final class PaidOf
{
    /** @return Builder ids of the charges that are open, or were met on a day or after it */
    public static function movingSince(CarbonImmutable $day): Builder
    {
        return DB::table('open_items')
            ->where('kind', 'charge')
            ->where(static fn ($either) => $either
                ->where('open', '>', 0)
                ->orWhere('moved_on', '>=', $day->format('Y-m-d')))
            ->select('document_id');
    }

    /**
     * @param  list<int>  $documents
     * @return array<int, list<array{string, int}>> by document: day and minor units, below zero where it was taken
     *     back, in the order of days
     */
    public static function each(array $documents): array
    {
        $paid = [];

        foreach (array_chunk($documents, 1000) as $some) {
            foreach (
                DB::table('allocations')
                    ->whereIn('charge_id', $some)
                    ->orderBy('business_date')
                    ->orderBy('id')
                    ->get(['charge_id', 'business_date', 'amount']) as $row
            ) {
                $paid[(int) $row->charge_id][] = [(string) $row->business_date, (int) $row->amount];
            }
        }

        return $paid;
    }
}
