<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\Figures\MarkedLines;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Figures\SoldDays;
use Elmstone\Support\Report\Period;
use Illuminate\Support\Facades\DB;

/** Proves that what is summed by day is what the documents say that it knows: journals, and what was sold. */
final class ProveLedgerDays implements InParts
{
    public function prove(Proof $proof): void
    {
        foreach ($this->parts() as $part) {
            $part($proof);
        }
    }

    public function parts(): array
    {
        return [$this->accounts(...), self::marked(...), ...$this->sold()];
    }

    private function accounts(Proof $proof): void
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

        $proof->checked('days of accounts that are summed', DB::table('ledger_days')->count());
    }

    private static function marked(Proof $proof): void
    {
        foreach (MarkedLines::KINDS as $kind) {
            $wrong = MarkedLines::wrong($kind);
            $wrong === 0 || $proof->fault("lines marked “{$kind}” for reports: {$wrong} are not those there are");
        }

        $proof->checked('kinds of lines that reports look for', count(MarkedLines::KINDS));
    }

    /** @return list<Closure(Proof): void> what was sold, by each thing it is summed by, year by year */
    private function sold(): array
    {
        $ends = Posted::documents()->selectRaw('MIN(d.business_date) AS first, MAX(d.business_date) AS last')->first();
        $until = CarbonImmutable::parse((string) ($ends->last ?? 'today'));
        $parts = [];

        for ($from = CarbonImmutable::parse((string) ($ends->first ?? 'today')); $from <= $until; $from = $next) {
            $next = $from->addYearNoOverflow();
            $year = Period::between($from, $next->subDay());

            foreach (SoldDays::KINDS as $kind) {
                $parts[] = static fn (Proof $proof) => self::kind($proof, $kind, $year);
            }
        }

        return $parts;
    }

    private static function kind(Proof $proof, string $kind, Period $year): void
    {
        foreach (SoldDays::wrong($kind, $year) as $row) {
            $proof->fault(
                "{$kind} {$row->place} on {$row->business_date}: what was sold on the day is off by {$row->net} net, "
                    ."{$row->tax} tax, {$row->cost} cost, {$row->quantity} pieces, {$row->sales} sales",
            );
        }

        $proof->checked('years of what was sold that are summed by day');
    }
}
