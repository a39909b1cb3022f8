<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Books\FirstNumbers;
use Generator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/**
 * Sealed text that was written once and is kept, so many numbers of a series in a file: what is posted is posted, so a
 * file that is full stays as it is. Made when it is first asked for, or by the machine's timer; it can be thrown away
 * at any time. Its name has the digest of its last document, so that it is of these books and no others.
 */
final readonly class SealedBlocks
{
    private const FOLDER = 'sealed';

    /** Of gzip: the files are ten times smaller by it. */
    private const LEVEL = 1;

    public function __construct(private int $size = 5000)
    {
    }

    /** @return Generator<string, string> as SealedText::between */
    public function between(string $kind, int $first, int $last): Generator
    {
        $begins = FirstNumbers::of($kind);

        while ($first <= $last) {
            $block = intdiv($first - 1, $this->size);
            [$from, $until] = [max($begins, $block * $this->size + 1), ($block + 1) * $this->size];
            $digest = $this->lastOf($kind, $until);
            $texts = $digest === null
                ? SealedText::between($kind, $first, min($last, $until))
                : $this->some($this->block($kind, $from, $until, $digest), $first - $from, min($last, $until) - $from);

            yield from $texts;

            $first = $until + 1;
        }
    }

    /**
     * Writes the files of all series that are full and not kept yet.
     *
     * @return int how many
     */
    public function keep(): int
    {
        $made = 0;

        foreach (DB::table('series')->orderBy('kind')->get(['kind', 'first_number', 'last_number']) as $series) {
            [$begins, $last] = [(int) $series->first_number, (int) $series->last_number];
            $until = (intdiv($begins - 1, $this->size) + 1) * $this->size;

            for (; $until <= $last; $until += $this->size) {
                $digest = $this->lastOf((string) $series->kind, $until);

                if ($digest !== null && ! is_file($this->path((string) $series->kind, $until, $digest))) {
                    $this->write((string) $series->kind, max($begins, $until - $this->size + 1), $until, $digest);
                    $made++;
                }
            }
        }

        return $made;
    }

    private function lastOf(string $kind, int $until): ?string
    {
        $digest = DB::table('document_digests')->where('kind', $kind)->where('number', $until)->value('digest');

        return is_string($digest) ? $digest : null;
    }

    private function path(string $kind, int $until, string $digest): string
    {
        return Storage::disk('local')->path(self::FOLDER."/{$kind}-{$this->size}-{$until}-{$digest}.gz");
    }

    /** @return Generator<string, string> */
    private function block(string $kind, int $from, int $until, string $digest): Generator
    {
        is_file($this->path($kind, $until, $digest)) || $this->write($kind, $from, $until, $digest);
        $file = gzopen($this->path($kind, $until, $digest), 'rb');

        while ($file !== false && ($line = gzgets($file)) !== false) {
            // A digest is 64 digits; a text has no line's end in it.
            yield substr($line, 0, 64) => substr($line, 65, -1);
        }

        $file === false || gzclose($file);
    }

    /**
     * @param  Generator<string, string>  $texts
     * @return Generator<string, string> from one place to another, both in it
     */
    private function some(Generator $texts, int $from, int $until): Generator
    {
        $place = 0;

        foreach ($texts as $digest => $text) {
            if ($place >= $from) {
                yield $digest => $text;
            }

            if ($place++ === $until) {
                return;
            }
        }
    }

    /** Under another name until it is whole. */
    private function write(string $kind, int $from, int $until, string $digest): void
    {
        Storage::disk('local')->makeDirectory(self::FOLDER);
        $path = $this->path($kind, $until, $digest);
        $whole = "{$path}.".getmypid();
        $file = gzopen($whole, 'wb'.self::LEVEL);

        if ($file === false) {
            throw new \RuntimeException("{$whole} cannot be written.");
        }

        foreach (SealedText::between($kind, $from, $until) as $of => $text) {
            gzwrite($file, "{$of} {$text}\n") !== 0 || throw new \RuntimeException("{$whole} cannot be written.");
        }

        gzclose($file);
        rename($whole, $path);
    }
}
