<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\FirstNumbers;
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

    /** @var array<int, array{string, int}> documents of this transaction: kind and number of each */
    private array $waiting = [];

    public function atTheEnd(int $document, DocumentKind $kind, int $number): void
    {
        $connection = DB::connection();
        $connection instanceof HouseConnection
            || throw new LogicException('Documents are sealed on a connection of the house.');

        // What an attempt that failed left behind is not of this transaction.
        if ($connection->beforeCommit('seal', $this->waiting(...))) {
            $this->waiting = [];
        }

        $this->waiting[$document] = [$kind->value, $number];
    }

    private function waiting(): void
    {
        [$waiting, $this->waiting] = [$this->waiting, []];
        asort($waiting);

        foreach (array_chunk($waiting, self::AT_ONCE, true) as $some) {
            $this->chain($some);
        }
    }

    /** @param  non-empty-array<int, array{string, int}>  $documents kind and number of each, in the order of both */
    private function chain(array $documents): void
    {
        $says = Says::of(array_keys($documents));
        $rows = [];
        $last = [];

        foreach ($documents as $id => [$kind, $number]) {
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

        return match (true) {
            is_string($digest) => $digest,
            FirstNumbers::of($kind) === $number + 1 => Link::NONE,
            default => throw new LogicException("{$kind} {$number} has no seal to go on from."),
        };
    }
}
