<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Books\Check;
use Elmstone\Books\Proof;
use Elmstone\Core\Proof\Link;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Proves that every document still says what it said when it was posted, and that none is gone from the end of its series. */
final class ProveChain implements Check
{
    private const AT_ONCE = 1000;

    public function prove(Proof $proof): void
    {
        $last = [];

        foreach (DB::table('series')->orderBy('kind')->pluck('kind') as $kind) {
            $last[(string) $kind] = $this->series($proof, (string) $kind);
        }

        $this->heads($proof, $last);
        $this->unsealed($proof);
    }

    /** @return array{number: int, digest: string} */
    private function series(Proof $proof, string $kind): array
    {
        $last = ['number' => 0, 'digest' => Link::NONE];

        DB::table('document_digests as s')->join('documents as d', 'd.id', '=', 's.document_id')->where('s.kind', $kind)->select(['s.document_id', 's.number', 's.before', 's.digest', 'd.label'])
            ->chunkById(self::AT_ONCE, function (Collection $seals) use ($proof, &$last): void {
                $says = Says::of(array_map(intval(...), $seals->pluck('document_id')->all()));

                foreach ($seals as $seal) {
                    $seal->before === $last['digest'] || $proof->fault("{$seal->label}: it does not follow on the document before it in its series");
                    Link::ofWritten($says[(int) $seal->document_id] ?? [], (string) $seal->before) === $seal->digest || $proof->changed((int) $seal->document_id, "{$seal->label}: it does not say what it said when it was posted");
                    $last = ['number' => (int) $seal->number, 'digest' => (string) $seal->digest];
                }

                $proof->checked('documents that say what they said when they were posted', $seals->count());
            }, 's.number', 'number');

        return $last;
    }

    /** @param  array<string, array{number: int, digest: string}>  $last */
    private function heads(Proof $proof, array $last): void
    {
        foreach (DB::table('series_heads')->get() as $head) {
            $proof->same("series {$head->kind}", 'the last number that was sealed', $last[(string) $head->kind]['number'] ?? 0, (int) $head->number);
            ($last[(string) $head->kind]['digest'] ?? '') === $head->digest || $proof->fault("series {$head->kind}: its end is not the one that was kept");
        }

        $proof->same('series', 'the count of ends kept', DB::table('series_heads')->count(), count(array_filter($last, static fn (array $end): bool => $end['number'] > 0)));
    }

    private function unsealed(Proof $proof): void
    {
        foreach (DB::table('documents as d')->leftJoin('document_digests as s', 's.document_id', '=', 'd.id')->whereNull('s.document_id')->pluck('d.label') as $label) {
            $proof->fault("{$label}: it is not sealed");
        }
    }
}
