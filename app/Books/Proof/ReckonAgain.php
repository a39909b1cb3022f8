<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Brick\Math\BigDecimal;
use Closure;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DocumentRows;
use Elmstone\Books\Origins;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Reckons documents afresh from what was agreed, writes them as rows again, and holds the rows against those that stand
 * there.
 */
final class ReckonAgain
{
    /** Columns whose stored text is a decimal with trailing zeros, or a JSON text with blanks. */
    private const DECIMALS = [
        'quantity', 'unit_price', 'list_price', 'discount_percent', 'slip_discount_percent', 'rate', 'percent',
    ];

    /** How many numbers make a part. */
    private const PART = 5000;

    private Proof $proof;

    /**
     * @param  bool  $all reckon also what proved before and is still as it was sealed
     * @param  list<int>  $changed documents that are not what was sealed
     */
    public function __construct(private readonly bool $all, private readonly array $changed)
    {
        $this->proof = new Proof;
    }

    /** @return list<Closure(Proof): void> */
    public function parts(): array
    {
        $last = DB::table('documents')->max('id');
        $parts = [];

        for ($from = 1; $from <= (is_numeric($last) ? (int) $last : 0); $from += self::PART) {
            $parts[] = fn (Proof $proof) => $this->between($proof, $from, $from + self::PART - 1);
        }

        return $parts;
    }

    private function between(Proof $proof, int $from, int $until): void
    {
        $this->proof = $proof;
        $documents = Document::query()
            ->with(['lines', 'taxes', 'tenders', 'journal', 'coupons', 'heldRows', 'consigned'])
            ->whereBetween('id', [$from, $until]);
        $this->all || $documents->where($this->notProved(...));
        $documents->chunkById(500, $this->documents(...));
    }

    /** @param  Builder<Document>  $either */
    private function notProved(Builder $either): void
    {
        $either
            ->whereNotExists(
                static fn (Query $proved) => $proved
                    ->from('proved_documents as p')
                    ->join('document_digests as s', 's.document_id', '=', 'p.document_id')
                    ->whereColumn('p.document_id', 'documents.id')
                    ->whereColumn('p.digest', 's.digest'),
            )
            ->orWhereIn('id', $this->changed);
    }

    /** @param  list<int>  $documents */
    private function mark(array $documents): void
    {
        $these = implode(', ', $documents);
        $these === ''
            || DB::statement(
                'INSERT INTO proved_documents (document_id, digest) SELECT document_id, digest FROM document_digests '
                    ."WHERE document_id IN ({$these}) ON DUPLICATE KEY UPDATE digest = VALUES(digest)",
            );
    }

    /** @param  Collection<int, Document>  $documents */
    private function documents(Collection $documents): void
    {
        $ids = $documents->modelKeys();
        $lineTaxes = DB::table('document_line_taxes')
            ->whereIn('document_id', $ids)
            ->orderBy('position')
            ->orderBy('component')
            ->get()
            ->groupBy('document_id');
        $entries = DB::table('journal_entries')->whereIn('document_id', $ids)->get()->keyBy('document_id');

        $originIds = $documents
            ->flatMap(static fn (Document $document) => $document->lines->pluck('origin_document_id'))
            ->filter()
            ->all();
        $origins = Origins::of(Currency::of($documents->firstOrFail()->currency), $originIds);

        $proved = [];

        foreach ($documents as $document) {
            $before = count($this->proof->faults);

            try {
                $draft = (new StoredDocument($document, $origins))->redrafted();
                $rows = new DocumentRows($draft, $document->number, $document->session_id);
                $this->compare($document->label, [$document->getAttributes()], [$rows->document()], ['posted_at']);
                $this->compare(
                    "{$document->label} line",
                    self::attributes($document->lines),
                    $rows->lines($document->id),
                );
                $this->compare(
                    "{$document->label} line tax",
                    self::arrays($lineTaxes->get($document->id)?->all() ?? []),
                    self::byComponent($rows->lineTaxes($document->id)),
                );
                $this->compare(
                    "{$document->label} tax",
                    self::attributes($document->taxes),
                    $rows->taxes($document->id),
                    ['classes', 'on_top_of'],
                );
                $this->compare(
                    "{$document->label} coupon",
                    self::attributes($document->coupons),
                    $rows->coupons($document->id),
                    ['for_lines'],
                );
                $this->compare(
                    "{$document->label} journal",
                    self::attributes($document->journal),
                    $rows->journalLines($document->id),
                );
                $this->compare(
                    "{$document->label} journal sums",
                    self::arrays(array_filter([$entries->get($document->id)])),
                    $rows->journalEntry($document->id),
                );
                $this->compare(
                    "{$document->label} money held",
                    self::attributes($document->heldRows),
                    $rows->held($document->id),
                );
                $this->tenders($document, $draft);
            } catch (Throwable $failure) {
                $this->proof->fault("{$document->label}: {$failure->getMessage()}");
            }

            $before === count($this->proof->faults)
                && ! in_array($document->id, $this->changed, true)
                && ($proved[] = $document->id);
        }

        $this->mark($proved);

        $this->proof->checked('documents reckoned again, with their journals', $documents->count());
        $this->proof->checked(
            'lines',
            $documents->sum(static fn (Document $document): int => $document->lines->count()),
        );
    }

    /**
     * @param  list<array<string, scalar|null>>  $rows
     * @return list<array<string, scalar|null>>
     */
    private static function byComponent(array $rows): array
    {
        usort(
            $rows,
            static fn (array $a, array $b): int => [$a['position'], $a['component']] <=> [
                $b['position'],
                $b['component'],
            ],
        );

        return $rows;
    }

    private function tenders(Document $document, DocumentDraft $draft): void
    {
        $amount = Money::sum($document->tenders->pluck('amount'), $document->currency());
        $given = Money::sum($document->tenders->pluck('given'), $document->currency());
        $this->proof->same(
            $document->label,
            'the sum of tenders',
            $amount,
            $draft->tendered()->abs()->plus($document->cash_rounding),
        );
        $this->proof->same(
            $document->label,
            'the change',
            $given->minus($amount),
            $document->change_given,
        );
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
                $this->proof->same(
                    $where.' '.($i + 1),
                    $column,
                    self::plain($column, array_values($stored)[$i][$column] ?? null),
                    self::plain($column, $value),
                );
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
