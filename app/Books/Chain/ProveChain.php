<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Books\Proof\InParts;
use Elmstone\Books\Proof\Proof;
use Elmstone\Core\Proof\Link;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Proves that every document still says what it said when it was posted, and that none is gone from the end of its
 * series.
 */
final class ProveChain implements InParts
{
    private const AT_ONCE = 1000;

    /** How many numbers of a series make a part. */
    private const PART = 10_000;

    public function prove(Proof $proof): void
    {
        foreach ($this->parts() as $part) {
            $part($proof);
        }
    }

    public function parts(): array
    {
        $parts = [$this->heads(...), $this->unsealed(...)];

        foreach (
            DB::table('document_digests')
                ->groupBy('kind')
                ->orderBy('kind')
                ->selectRaw('kind, MAX(number) AS last')
                ->get() as $series
        ) {
            for ($from = 1; $from <= (int) $series->last; $from += self::PART) {
                $parts[] = fn (Proof $proof) => $this->series(
                    $proof,
                    (string) $series->kind,
                    $from,
                    $from + self::PART - 1,
                );
            }
        }

        return $parts;
    }

    private function series(Proof $proof, string $kind, int $from, int $until): void
    {
        $of = static fn (): Builder => DB::table('document_digests as s')->where('s.kind', $kind);
        $last = $of()->where('s.number', '<', $from)->orderByDesc('s.number')->value('digest') ?? Link::NONE;

        $of()
            ->join('documents as d', 'd.id', '=', 's.document_id')
            ->whereBetween('s.number', [$from, $until])
            ->select(['s.document_id', 's.number', 's.before', 's.digest', 'd.label'])
            ->chunkById(
                self::AT_ONCE,
                function (Collection $seals) use ($proof, &$last): void {
                    $says = Says::of(array_map(intval(...), $seals->pluck('document_id')->all()));

                    foreach ($seals as $seal) {
                        $seal->before === $last
                            || $proof->fault(
                                "{$seal->label}: it does not follow on the document before it in its ".'series',
                            );
                        Link::ofWritten($says[(int) $seal->document_id] ?? [], (string) $seal->before)
                            === $seal->digest
                            || $proof->changed(
                                (int) $seal->document_id,
                                "{$seal->label}: it does not say what it said when it was posted",
                            );
                        $last = (string) $seal->digest;
                    }

                    $proof->checked('documents that say what they said when they were posted', $seals->count());
                },
                's.number',
                'number',
            );
    }

    private function heads(Proof $proof): void
    {
        $last = DB::table('document_digests as s')
            ->whereRaw('s.number = (SELECT MAX(number) FROM document_digests WHERE kind = s.kind)')
            ->get(['kind', 'number', 'digest'])
            ->keyBy('kind');
        $heads = DB::table('series_heads')->get();

        foreach ($heads as $head) {
            $end = $last->get($head->kind);
            $proof->same(
                "series {$head->kind}",
                'the last number that was sealed',
                (int) $end?->number,
                (int) $head->number,
            );
            $end?->digest === $head->digest
                || $proof->fault("series {$head->kind}: its end is not the one that was kept");
        }

        $proof->same('series', 'the count of ends kept', $heads->count(), $last->count());
    }

    private function unsealed(Proof $proof): void
    {
        foreach (
            DB::table('documents as d')
                ->leftJoin('document_digests as s', 's.document_id', '=', 'd.id')
                ->whereNull('s.document_id')
                ->pluck('d.label') as $label
        ) {
            $proof->fault("{$label}: it is not sealed");
        }
    }
}
