<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Carbon\CarbonImmutable;
use Elmstone\Support\Database\Snapshot;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;
use stdClass;

/**
 * What each account moved on each day: summed once for most documents, and from the journals for those that came since.
 * A series says up to which of its numbers the sums know it; its numbers have no gap, and whoever sees the number of a
 * series sees all documents up to it, so nothing waits for this and nothing is missed. Proved against the journals.
 */
final class LedgerDays
{
    /** So many documents are summed together. */
    private const AT_ONCE = 5_000;

    /** @param  int  $mostUnsummed so many may be read from the journals before they are summed */
    public function __construct(private readonly int $mostUnsummed = 2_000)
    {
    }

    /**
     * What accounts moved in a time.
     *
     * @param  CarbonImmutable|null  $from null: ever
     * @param  int|null  $location null: all
     * @return array<string, array{int, int}> debits and credits in minor units, by account
     */
    public function between(?CarbonImmutable $from, CarbonImmutable $until, ?int $location): array
    {
        $this->catchUp();

        return Snapshot::of(function () use ($from, $until, $location): array {
            $moved = [];
            $days = DB::table('ledger_days')
                ->when($from !== null, static fn (Builder $all) => $all
                    ->where('business_date', '>=', $from?->format('Y-m-d')))
                ->where('business_date', '<=', $until->format('Y-m-d'))
                ->when($location !== null, static fn (Builder $all) => $all->where('location_id', $location))
                ->groupBy('account')
                ->selectRaw('account, SUM(debit) AS debit, SUM(credit) AS credit')
                ->get();

            foreach ([...$days, ...$this->since($from, $until, $location)] as $row) {
                [$debit, $credit] = $moved[(string) $row->account] ?? [0, 0];
                $moved[(string) $row->account] = [$debit + (int) $row->debit, $credit + (int) $row->credit];
            }

            return $moved;
        });
    }

    /** @return list<stdClass> what documents did that the sums do not know */
    private function since(?CarbonImmutable $from, CarbonImmutable $until, ?int $location): array
    {
        $rows = [];

        foreach (self::behind() as $series) {
            array_push($rows, ...DB::table('documents as d')
                ->join('journal_lines as j', 'j.document_id', '=', 'd.id')
                ->where('d.kind', $series->kind)
                ->where('d.number', '>', $series->summed)
                ->when($from !== null, static fn (Builder $all) => $all
                    ->where('d.business_date', '>=', $from?->format('Y-m-d')))
                ->where('d.business_date', '<=', $until->format('Y-m-d'))
                ->when($location !== null, static fn (Builder $all) => $all->where('d.location_id', $location))
                ->groupBy('j.account')
                ->selectRaw('j.account, SUM(j.debit) AS debit, SUM(j.credit) AS credit')
                ->get()
                ->all());
        }

        return $rows;
    }

    /**
     * Sums what came since, where that is much; not in what is read as of one moment, nor while somebody else does:
     * then more is read from the documents themselves.
     */
    public function catchUp(): void
    {
        if (Snapshot::isOpen() || self::unsummed() <= $this->mostUnsummed) {
            return;
        }

        while (DB::transaction(fn (): bool => $this->step(false), 3)) {
            // A step after the other, until all is summed or somebody else sums.
        }
    }

    /** @return Collection<int, stdClass> series that have numbers the sums do not know: kind, last_number, summed */
    public static function behind(): Collection
    {
        return DB::table('series')->whereColumn('last_number', '>', 'summed')->orderBy('kind')->get();
    }

    /** How many documents the sums do not know. */
    public static function unsummed(): int
    {
        return (int) DB::table('series')->selectRaw('SUM(last_number - summed) AS n')->value('n');
    }

    /** Sums all that came since, step by step; posting waits for the last moment of a step only. */
    public function sum(): void
    {
        while (DB::transaction(fn (): bool => $this->step(true), 3)) {
            // A step after the other, until all is summed.
        }
    }

    /**
     * One sums at a time: whose row it is, as with everything else that is taken in turn.
     *
     * @param  bool  $waits for who sums already; otherwise it is left to them
     * @return bool whether there is more
     */
    private function step(bool $waits): bool
    {
        $turn = DB::table('day_sums')->lock($waits ? 'FOR UPDATE' : 'FOR UPDATE SKIP LOCKED')->value('id');

        if ($turn === null) {
            return false;
        }

        $series = DB::table('series')->whereColumn('last_number', '>', 'summed')->orderBy('kind')->first();

        if ($series === null) {
            return false;
        }

        $until = min((int) $series->last_number, (int) $series->summed + self::AT_ONCE);
        self::add(self::moved((string) $series->kind, (int) $series->summed, $until));
        SoldDays::add((string) $series->kind, (int) $series->summed, $until);
        MarkedLines::add((string) $series->kind, (int) $series->summed, $until);
        // The series last: whoever posts waits for it.
        DB::table('series')
            ->where('kind', $series->kind)
            ->where('summed', $series->summed)
            ->update(['summed' => $until]) === 1 || throw new LogicException('Who sums days has the row for it.');

        return true;
    }

    /** @return Collection<int, stdClass> */
    private static function moved(string $kind, int $after, int $until): Collection
    {
        return DB::table('documents as d')
            ->join('journal_lines as j', 'j.document_id', '=', 'd.id')
            ->where('d.kind', $kind)
            ->where('d.number', '>', $after)
            ->where('d.number', '<=', $until)
            ->groupBy('j.account', 'd.location_id', 'd.business_date')
            ->orderBy('j.account')
            ->orderBy('d.location_id')
            ->orderBy('d.business_date')
            ->selectRaw(
                'j.account, d.location_id, d.business_date, SUM(j.debit) AS debit, SUM(j.credit) AS credit',
            )
            ->get();
    }

    /** @param  Collection<int, stdClass>  $rows */
    private static function add(Collection $rows): void
    {
        foreach ($rows->chunk(500) as $some) {
            $values = implode(', ', array_fill(0, $some->count(), '(?, ?, ?, ?, ?)'));
            DB::statement(
                "INSERT INTO ledger_days (account, location_id, business_date, debit, credit) VALUES {$values} "
                    .'ON DUPLICATE KEY UPDATE debit = debit + VALUES(debit), credit = credit + VALUES(credit)',
                $some->flatMap(static fn (stdClass $row): array => [
                    $row->account, $row->location_id, $row->business_date, $row->debit, $row->credit,
                ])->all(),
            );
        }
    }
}
