<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Figures\SoldDays;
use Elmstone\Support\Report\Period;
use Illuminate\Support\Facades\DB;

/** Proves that what is summed by day is what the journals of the documents say that it knows. */
final class ProveLedgerDays implements Check
{
    public function prove(Proof $proof): void
    {
        $wrong = DB::select(<<<'SQL'
            SELECT account, location_id, business_date, SUM(debit) AS debit, SUM(credit) AS credit
            FROM (
                SELECT j.account, d.location_id, d.business_date, SUM(j.debit) AS debit, SUM(j.credit) AS credit
                FROM series s
                JOIN documents d ON d.kind = s.kind AND d.number <= s.summed
                JOIN journal_lines j ON j.document_id = d.id
                GROUP BY j.account, d.location_id, d.business_date
                UNION ALL
                SELECT account, location_id, business_date, -debit, -credit FROM ledger_days
            ) both_sides
            GROUP BY account, location_id, business_date
            HAVING debit <> 0 OR credit <> 0
            ORDER BY business_date, account
            LIMIT 100
            SQL);

        foreach ($wrong as $row) {
            $proof->fault(
                "{$row->account} on {$row->business_date}: the sum of the day is off by {$row->debit} debit, "
                    ."{$row->credit} credit",
            );
        }

        $this->sold($proof);
        $proof->checked('days of accounts that are summed', DB::table('ledger_days')->count());
    }

    private function sold(Proof $proof): void
    {
        $ends = Posted::documents()->selectRaw('MIN(d.business_date) AS first, MAX(d.business_date) AS last')->first();
        $until = CarbonImmutable::parse((string) ($ends->last ?? 'today'));

        for ($from = CarbonImmutable::parse((string) ($ends->first ?? 'today')); $from <= $until; $from = $next) {
            $next = $from->addYearNoOverflow();

            foreach (SoldDays::wrong(Period::between($from, $next->subDay())) as $row) {
                $proof->fault(
                    "{$row->kind} {$row->place} on {$row->business_date}: what was sold on the day is off by "
                        ."{$row->net} net, {$row->tax} tax, {$row->cost} cost, {$row->sales} sales",
                );
            }
        }

        $proof->checked('days of what was sold that are summed', DB::table('sold_days')->count());
    }
}
