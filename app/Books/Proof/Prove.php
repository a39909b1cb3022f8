<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Brick\Math\BigDecimal;
use Closure;
use Elmstone\Support\Database\Snapshot;
use Elmstone\Support\SideBySide;
use Illuminate\Support\Facades\DB;

/**
 * Proves the books: every document is reckoned afresh and written as rows again, and the rows must be those that stand
 * there; every series runs from its first number without a gap; what is on hand is the sum of what moved; and what
 * each room has to prove.
 */
final class Prove
{
    /** @param  iterable<Check>  $others what other rooms have to prove */
    public function __construct(private readonly iterable $others = [])
    {
    }

    /**
     * A document that was reckoned again and proved is not reckoned once more while its seal says that it is still the
     * same.
     *
     * @param  bool  $afresh all are reckoned again
     */
    public function handle(bool $afresh = true, SideBySide $by = new SideBySide(1)): Proof
    {
        $work = [$this->series(...), $this->unsealed(...), $this->stock(...)];

        foreach ($this->others as $check) {
            $parts = $check instanceof InParts ? $check->parts() : [$check->prove(...)];
            $work = [...$work, ...$check instanceof Topic ? self::counted($check, $parts) : $parts];
        }

        $proof = $this->all(array_map(self::atOneMoment(...), $work), $by);
        $proof->add($this->all((new ReckonAgain($afresh, $proof->changed))->parts(), $by));

        return $proof;
    }

    /**
     * What one piece holds against each other is read as it stood at one moment: somebody always sells meanwhile.
     *
     * @param  Closure(Proof): void  $piece
     * @return Closure(Proof): void
     */
    private static function atOneMoment(Closure $piece): Closure
    {
        return static fn (Proof $proof) => Snapshot::of(static fn () => $piece($proof));
    }

    /**
     * @param  list<Closure(Proof): void>  $parts
     * @return list<Closure(Proof): void> which say what they found of the topic
     */
    private static function counted(Topic $topic, array $parts): array
    {
        return array_map(
            static fn (Closure $part): Closure => static function (Proof $proof) use ($topic, $part): void {
                $part($proof);
                $proof->topics[$topic::class] = count($proof->faults);
            },
            $parts,
        );
    }

    /** @param  list<Closure(Proof): void>  $work */
    private function all(array $work, SideBySide $by): Proof
    {
        $proof = new Proof;
        $pieces = array_map(
            static fn (Closure $piece): Closure => static function () use ($piece): Proof {
                $part = new Proof;
                $piece($part);

                return $part;
            },
            $work,
        );
        array_map($proof->add(...), $by->each($pieces));

        return $proof;
    }

    private function series(Proof $proof): void
    {
        foreach (DB::table('series')->get() as $series) {
            $first = (int) $series->first_number;
            $last = (int) $series->last_number;
            $found = DB::table('documents')
                ->where('kind', $series->kind)
                ->selectRaw('COUNT(*) AS n, MIN(number) AS first, MAX(number) AS last')
                ->first();
            $proof->same("series {$series->kind}", 'the first number', (int) ($found->first ?? $first), $first);
            $proof->same("series {$series->kind}", 'the last number', $last, (int) ($found->last ?? $first - 1));
            $proof->same("series {$series->kind}", 'the count of documents', (int) $found?->n, $last - $first + 1);
            $proof->checked('series without a gap');
        }
    }

    private function unsealed(Proof $proof): void
    {
        $unsealed = DB::table('documents as d')
            ->leftJoin('journal_entries as e', 'e.document_id', '=', 'd.id')
            ->whereNull('e.document_id')
            ->pluck('d.label');

        foreach ($unsealed as $label) {
            $proof->fault("{$label}: there is no journal");
        }

        $sums = DB::table('journal_lines')
            ->selectRaw('COALESCE(SUM(debit), 0) AS debits, COALESCE(SUM(credit), 0) AS credits')
            ->first();
        $proof->same('all journals', 'the sum of debits', (string) $sums?->debits, (string) $sums?->credits);
    }

    private function stock(Proof $proof): void
    {
        $moved = [];

        foreach (
            DB::table('stock_movements')
                ->selectRaw('item_id, location_id, SUM(quantity) AS moved')
                ->groupBy('item_id', 'location_id')
                ->cursor() as $row
        ) {
            $moved["{$row->item_id} at location {$row->location_id}"] = $row->moved;
        }

        foreach (DB::table('stock')->cursor() as $row) {
            $place = "{$row->item_id} at location {$row->location_id}";
            $proof->same(
                "item {$place}",
                'what is on hand',
                self::plain($row->on_hand),
                self::plain($moved[$place] ?? '0'),
            );
            unset($moved[$place]);
            $proof->checked('stock figures equal to their movements');
        }

        $proof->same('stock', 'the count of movements without a figure', count($moved), 0);
        $unsold = DB::scalar(
            "SELECT COUNT(*) FROM (SELECT l.document_id, l.item_id, SUM(CASE WHEN l.direction = 'out' THEN l.quantity "
                ."WHEN l.goods_to = 'stock' THEN -l.quantity ELSE 0 END) AS sold, (SELECT COALESCE(SUM(-m.quantity), "
                .'0) FROM stock_movements m WHERE m.document_id = l.document_id AND m.item_id = l.item_id) AS '
                .'moved FROM document_lines l WHERE l.item_id IS NOT NULL GROUP BY l.document_id, l.item_id '
                .'HAVING sold <> moved) x',
        );
        $proof->same(
            'documents',
            'the count of items whose stock did not move as sold',
            is_numeric($unsold) ? (int) $unsold : null,
            0,
        );
    }

    private static function plain(mixed $quantity): ?string
    {
        return is_scalar($quantity) ? (string) BigDecimal::of((string) $quantity)->stripTrailingZeros() : null;
    }
}
