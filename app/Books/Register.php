<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Books\Chain\Seal;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DocumentRows;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Location;
use Elmstone\Support\Asked;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that writes documents and journals.
 *
 * Must be called inside a transaction: number, document, lines, taxes, tenders and journal stand together or not at
 * all. The series is locked last and until the commit, so its numbers have no gap and no double. At the end of the
 * transaction each document is sealed.
 */
final class Register
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(
        private readonly Seal $seal,
        private readonly Asked $asked,
        private readonly Practice $practice,
        private readonly Sessions $sessions,
    ) {
    }

    /**
     * What was posted under a key before. Under the lock of whatever the posting is about.
     *
     * @return int|null the document's id
     *
     * @throws Refused other_figures
     */
    public function before(string $key): ?int
    {
        $before = DB::table('documents')
            ->where('idempotency_key', $key)
            ->first(['id', 'asked']);
        $before === null || $this->asked->assertSame($key, $before->asked);

        return $before === null ? null : (int) $before->id;
    }

    /** @return int the document's id */
    public function post(DocumentDraft $draft): int
    {
        return $this->postAll([$draft])[0];
    }

    /**
     * Posts documents of one kind in the order given.
     *
     * @param  non-empty-list<DocumentDraft>  $drafts
     * @return non-empty-list<int> their ids
     *
     * @throws Refused day_closed, till_not_open, till_counted, not_your_drawer, training
     */
    public function postAll(array $drafts): array
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Documents are posted inside a transaction.');
        }

        array_map(fn (DocumentDraft $draft) => $this->practice->assertMayPost($draft->at->tillId), $drafts);
        $number = $this->takeNumbers($drafts[0]->kind, count($drafts));
        $rows = array_map(function (DocumentDraft $draft) use (&$number): DocumentRows {
            return new DocumentRows($draft, $number++, $this->session($draft));
        }, $drafts);
        $this->assertDaysOpen($drafts);
        $ids = $this->insertDocuments($rows);

        foreach (DocumentRows::TABLES as $table => $of) {
            $this->insert($table, $rows, $ids, $of);
        }

        array_map(
            fn (int $id, DocumentRows $row) => $this->seal->atTheEnd($id, $row->kind(), $row->number),
            $ids,
            $rows,
        );

        return $ids;
    }

    /**
     * Under the series, and until the commit: a day is closed before something is posted on it or after, never between.
     *
     * @param  non-empty-list<DocumentDraft>  $drafts
     *
     * @throws Refused day_closed
     */
    private function assertDaysOpen(array $drafts): void
    {
        $earliest = [];

        foreach ($drafts as $draft) {
            // A year is closed when all its days are: what closes it stands on the last of them.
            if (in_array($draft->purpose(), Purpose::ofTheYear(), true)) {
                continue;
            }

            $at = $draft->at;
            $earliest[$at->locationId] = min($earliest[$at->locationId] ?? $at->day, $at->day);
        }

        ksort($earliest);

        foreach ($earliest as $location => $day) {
            Location::stillOpen($location, $day);
        }
    }

    private function session(DocumentDraft $draft): ?int
    {
        $before = $draft->refersTo;
        $before !== null && $draft->handsChequesBack() && $this->sessions->assertChequesHere($before);

        return match (true) {
            $draft->at->sessionId !== null => $draft->at->sessionId,
            $this->practice->isOn() || ! $draft->passesTheDrawer() => null,
            default => $this->sessions->take($draft->at->tillId, $draft->at->staffId),
        };
    }

    /**
     * Takes the series of several kinds in one order, where one transaction posts more than one kind: so two tills
     * never wait for each other in a circle.
     *
     * @param  list<DocumentKind>  $kinds
     */
    public function reserve(array $kinds): void
    {
        $kinds = array_map(static fn (DocumentKind $kind): string => $kind->value, $kinds);
        sort($kinds);
        count($kinds) < 2
            || DB::table('series')
                ->whereIn('kind', $kinds)
                ->orderBy('kind')
                ->lockForUpdate()
                ->get(['kind']);
    }

    /** Takes one series before anything is decided that rests on what was written under it. */
    public function hold(DocumentKind $kind): void
    {
        DB::table('series')
            ->where('kind', $kind->value)
            ->lockForUpdate()
            ->value('kind');
    }

    /** @return int the first of so many numbers */
    private function takeNumbers(DocumentKind $kind, int $count): int
    {
        // Locked by the UPDATE, so what is read back is what it wrote: nothing rests on what a connection remembers.
        $series = DB::table('series')->where('kind', $kind->value);
        $series->increment('last_number', $count);
        $last = $series->value('last_number');

        return is_numeric($last)
            ? (int) $last - $count + 1
            : throw new LogicException("There is no series of {$kind->value}.");
    }

    /**
     * Of many rows in one INSERT nothing is known of their ids, least of all on a cluster: they are read back by the
     * key of each.
     *
     * @param  non-empty-list<DocumentRows>  $rows
     * @return non-empty-list<int>
     */
    private function insertDocuments(array $rows): array
    {
        $columns = array_map(static fn (DocumentRows $row): array => $row->document(), $rows);
        $keys = array_map(static fn (array $row): string => (string) $row['idempotency_key'], $columns);
        $columns = array_map(
            fn (array $row, string $key): array => [...$row, 'asked' => $this->asked->digest($key)],
            $columns,
            $keys,
        );

        if (count($columns) === 1) {
            return [DB::table('documents')->insertGetId($columns[0])];
        }

        DB::table('documents')->insert($columns);
        $ids = DB::table('documents')->whereIn('idempotency_key', $keys)->pluck('id', 'idempotency_key');

        return array_map(static fn (string $key): int => is_numeric($ids[$key]) ? (int) $ids[$key] : 0, $keys);
    }

    /**
     * @param  non-empty-list<DocumentRows>  $documents
     * @param  non-empty-list<int>  $ids
     * @param  'lines'|'lineTaxes'|'taxes'|'tenders'|'coupons'|'consigned'|'held'|'journalLines'|'journalEntry'  $of
     *     which part of
     *     each
     */
    private function insert(string $table, array $documents, array $ids, string $of): void
    {
        $all = array_merge(
            ...array_map(static fn (DocumentRows $document, int $id): array => $document->{$of}($id), $documents, $ids),
        );

        foreach (array_chunk($all, self::ROWS_AT_ONCE) as $chunk) {
            DB::table($table)->insert($chunk);
        }
    }
}
