<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Proves the books: every document is reckoned afresh and written as rows again, and the rows must be those that stand there;
 * every series runs from 1 without a gap; what is on hand is the sum of what moved.
 */
final class Prove
{
    /** Columns whose stored text is a decimal with trailing zeros, or a JSON text with blanks. */
    private const DECIMALS = ['quantity', 'unit_price', 'list_price', 'discount_percent', 'slip_discount_percent', 'rate', 'percent'];

    private Proof $proof;

    /** @param  iterable<Check>  $others what other rooms have to prove */
    public function __construct(private readonly iterable $others = [])
    {
    }

    /**
     * A document that was reckoned again and proved is not reckoned once more while its seal says that it is still the same.
     *
     * @param  bool  $afresh all are reckoned again
     */
    public function handle(bool $afresh = true): Proof
    {
        $this->proof = new Proof;
        $this->series();
        $this->unsealed();
        $this->stock();

        foreach ($this->others as $check) {
            $check->prove($this->proof);
        }

        Document::query()->with(['lines', 'taxes', 'tenders', 'journal', 'coupons'])->unless($afresh, fn (Builder $query) => $query->where($this->notProved(...)))->chunkById(500, $this->documents(...));

        return $this->proof;
    }

    /** @param  Builder<Document>  $either */
    private function notProved(Builder $either): void
    {
        $either->whereNotExists(static fn (Query $proved) => $proved->from('proved_documents as p')->join('document_digests as s', 's.document_id', '=', 'p.document_id')->whereColumn('p.document_id', 'documents.id')->whereColumn('p.digest', 's.digest'))
            ->orWhereIn('id', $this->proof->changed);
    }

    /** @param  list<int>  $documents */
    private function mark(array $documents): void
    {
        $these = implode(', ', $documents);
        $these === '' || DB::statement("INSERT INTO proved_documents (document_id, digest) SELECT document_id, digest FROM document_digests WHERE document_id IN ({$these}) ON DUPLICATE KEY UPDATE digest = VALUES(digest)");
    }

    /** @param  Collection<int, Document>  $documents */
    private function documents(Collection $documents): void
    {
        $ids = $documents->modelKeys();
        $lineTaxes = DB::table('document_line_taxes')->whereIn('document_id', $ids)->orderBy('position')->orderBy('component')->get()->groupBy('document_id');
        $entries = DB::table('journal_entries')->whereIn('document_id', $ids)->get()->keyBy('document_id');

        $originIds = $documents->flatMap(static fn (Document $document) => $document->lines->pluck('origin_document_id'))->filter()->all();
        $origins = Origins::of(Currency::of($documents->firstOrFail()->currency), $originIds);

        $proved = [];

        foreach ($documents as $document) {
            $before = count($this->proof->faults);

            try {
                $draft = (new StoredDocument($document, $origins))->redrafted();
                $rows = new DocumentRows($draft, $document->number);
                $this->compare($document->label, [$document->getAttributes()], [$rows->document()], ['posted_at']);
                $this->compare("{$document->label} line", self::attributes($document->lines), $rows->lines($document->id));
                $this->compare("{$document->label} line tax", self::arrays($lineTaxes->get($document->id)?->all() ?? []), self::byComponent($rows->lineTaxes($document->id)));
                $this->compare("{$document->label} tax", self::attributes($document->taxes), $rows->taxes($document->id), ['classes', 'on_top_of']);
                $this->compare("{$document->label} coupon", self::attributes($document->coupons), $rows->coupons($document->id), ['for_lines']);
                $this->compare("{$document->label} journal", self::attributes($document->journal), $rows->journalLines($document->id));
                $this->compare("{$document->label} journal sums", self::arrays(array_filter([$entries->get($document->id)])), [$rows->journalEntry($document->id)]);
                $this->tenders($document, $draft);
            } catch (Throwable $failure) {
                $this->proof->fault("{$document->label}: {$failure->getMessage()}");
            }

            $before === count($this->proof->faults) && ! in_array($document->id, $this->proof->changed, true) && $proved[] = $document->id;
        }

        $this->mark($proved);

        $this->proof->checked('documents reckoned again, with their journals', $documents->count());
        $this->proof->checked('lines', $documents->sum(static fn (Document $document): int => $document->lines->count()));
    }

    /**
     * @param  list<array<string, scalar|null>>  $rows
     * @return list<array<string, scalar|null>>
     */
    private static function byComponent(array $rows): array
    {
        usort($rows, static fn (array $a, array $b): int => [$a['position'], $a['component']] <=> [$b['position'], $b['component']]);

        return $rows;
    }

    private function tenders(Document $document, DocumentDraft $draft): void
    {
        $amount = (int) $document->tenders->sum('amount');
        $this->proof->same($document->label, 'the sum of tenders', $amount, abs($draft->tendered()->minor) + $document->cash_rounding);
        $this->proof->same($document->label, 'the change', (int) $document->tenders->sum('given') - $amount, $document->change_given);
    }

    /**
     * @param  array<array<mixed>>  $stored
     * @param  array<array<string, scalar|null>>  $right
     * @param  list<string>  $apart columns that are written another way than they are read
     */
    private function compare(string $where, array $stored, array $right, array $apart = []): void
    {
        $this->proof->same($where, 'the number of rows', count($stored), count($right));

        foreach (array_slice(array_values($right), 0, count($stored)) as $i => $row) {
            foreach (array_diff_key($row, array_flip($apart)) as $column => $value) {
                $this->proof->same($where.' '.($i + 1), $column, self::plain($column, array_values($stored)[$i][$column] ?? null), self::plain($column, $value));
            }
        }
    }

    private static function plain(string $column, mixed $value): ?string
    {
        return match (true) {
            ! is_scalar($value) => null,
            in_array($column, self::DECIMALS, true) => (string) BigDecimal::of((string) $value)->stripTrailingZeros(),
            default => (string) $value,
        };
    }

    private function series(): void
    {
        foreach (DB::table('series')->get() as $series) {
            $found = DB::table('documents')->where('kind', $series->kind)->selectRaw('COUNT(*) AS n, COALESCE(MIN(number), 1) AS first, COALESCE(MAX(number), 0) AS last')->first();
            $this->proof->same("series {$series->kind}", 'the first number', (int) $found?->first, 1);
            $this->proof->same("series {$series->kind}", 'the last number', (int) $series->last_number, (int) $found?->last);
            $this->proof->same("series {$series->kind}", 'the count of documents', (int) $found?->n, (int) $series->last_number);
            $this->proof->checked('series without a gap');
        }
    }

    private function unsealed(): void
    {
        $unsealed = DB::table('documents as d')->leftJoin('journal_entries as e', 'e.document_id', '=', 'd.id')->whereNull('e.document_id')->pluck('d.label');

        foreach ($unsealed as $label) {
            $this->proof->fault("{$label}: there is no journal");
        }

        $sums = DB::table('journal_lines')->selectRaw('COALESCE(SUM(debit), 0) AS debits, COALESCE(SUM(credit), 0) AS credits')->first();
        $this->proof->same('all journals', 'the sum of debits', (string) $sums?->debits, (string) $sums?->credits);
    }

    private function stock(): void
    {
        $moved = [];

        foreach (DB::table('stock_movements')->selectRaw('item_id, location_id, SUM(quantity) AS moved')->groupBy('item_id', 'location_id')->cursor() as $row) {
            $moved["{$row->item_id} at location {$row->location_id}"] = $row->moved;
        }

        foreach (DB::table('stock')->cursor() as $row) {
            $place = "{$row->item_id} at location {$row->location_id}";
            $this->proof->same("item {$place}", 'what is on hand', self::plain('quantity', $row->on_hand), self::plain('quantity', $moved[$place] ?? '0'));
            unset($moved[$place]);
            $this->proof->checked('stock figures equal to their movements');
        }

        $this->proof->same('stock', 'the count of movements without a figure', count($moved), 0);
        $unsold = DB::scalar("SELECT COUNT(*) FROM (SELECT l.document_id, l.item_id, SUM(CASE WHEN l.direction = 'out' THEN l.quantity WHEN l.goods_to = 'stock' THEN -l.quantity ELSE 0 END) AS sold, (SELECT COALESCE(SUM(-m.quantity), 0) FROM stock_movements m WHERE m.document_id = l.document_id AND m.item_id = l.item_id) AS moved FROM document_lines l WHERE l.item_id IS NOT NULL GROUP BY l.document_id, l.item_id HAVING sold <> moved) x");
        $this->proof->same('documents', 'the count of items whose stock did not move as sold', is_numeric($unsold) ? (int) $unsold : null, 0);
    }

    /**
     * @param  iterable<Model>  $models
     * @return list<array<mixed>>
     */
    private static function attributes(iterable $models): array
    {
        $rows = [];

        foreach ($models as $model) {
            $rows[] = $model->getAttributes();
        }

        return $rows;
    }

    /**
     * @param  array<object>  $rows
     * @return list<array<mixed>>
     */
    private static function arrays(array $rows): array
    {
        return array_values(array_map(static fn (object $row): array => (array) $row, $rows));
    }
}
