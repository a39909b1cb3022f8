<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Core\Proof\Link;
use Elmstone\Support\Database\HouseConnection;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * Seals documents at the end of the transaction that posts them, when all they say is written: each with its digest,
 * chained to the one before it in its series. What is sealed takes no further row. RULES, section 16.
 */
final class Seal
{
    private const AT_ONCE = 500;

    /** @var list<int> documents of this transaction */
    private array $waiting = [];

    /** @param  list<int>  $documents */
    public function atTheEnd(array $documents): void
    {
        $connection = DB::connection();
        $connection instanceof HouseConnection
            || throw new LogicException('Documents are sealed on a connection of the house.');

        // What an attempt that failed left behind is not of this transaction.
        if ($connection->beforeCommit('seal', $this->waiting(...))) {
            $this->waiting = [];
        }

        array_push($this->waiting, ...$documents);
    }

    private function waiting(): void
    {
        [$waiting, $this->waiting] = [$this->waiting, []];
        $this->now($waiting);
    }

    /** @param  list<int>  $documents */
    public function now(array $documents): void
    {
        foreach (array_chunk($documents, self::AT_ONCE) as $some) {
            $this->chain($some);
        }
    }

    /** @param  list<int>  $documents */
    private function chain(array $documents): void
    {
        $says = Says::of($documents);
        $rows = [];
        $last = [];

        foreach (
            DB::table('documents')
                ->whereIn('id', $documents)
                ->orderBy('kind')
                ->orderBy('number')
                ->get(['id', 'kind', 'number']) as $document
        ) {
            [$id, $kind, $number] = [(int) $document->id, (string) $document->kind, (int) $document->number];
            $before = $last[$kind]['digest'] ?? $this->digestOf($kind, $number - 1);
            $digest = Link::ofWritten($says[$id], $before);
            $rows[] = [
                'document_id' => $id,
                'kind' => $kind,
                'number' => $number,
                'before' => $before,
                'digest' => $digest,
            ];
            $last[$kind] = ['kind' => $kind, 'number' => $number, 'digest' => $digest];
        }

        DB::table('document_digests')->insert($rows);
        // Kept a second time, so that the last of a series does not go without a trace.
        DB::table('series_heads')->upsert(array_values($last), ['kind'], ['number', 'digest']);
    }

    private function digestOf(string $kind, int $number): string
    {
        if ($number === 0) {
            return Link::NONE;
        }

        $digest = DB::table('document_digests')->where('kind', $kind)->where('number', $number)->value('digest');

        return is_string($digest) ? $digest : throw new LogicException("{$kind} {$number} has no seal to go on from.");
    }
}
