<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Closure;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Throwable;

/**
 * Pieces of work done by several processes at once, each taking the next piece when it has done one. Each process has
 * a connection of its own to the database, so it sees what is committed: never used within a transaction.
 */
final class SideBySide
{
    /** @param  int<1, max>  $processes 1: all is done here, one after the other */
    public function __construct(private readonly int $processes)
    {
    }

    /** As many as there are processors. */
    public static function here(): self
    {
        $found = is_readable('/proc/cpuinfo')
            ? substr_count((string) file_get_contents('/proc/cpuinfo'), "\nprocessor") + 1
            : 1;

        return new self(function_exists('pcntl_fork') && DB::transactionLevel() === 0 ? max(1, $found) : 1);
    }

    /**
     * @template T of object
     *
     * @param  list<Closure(): T>  $pieces
     * @return list<T> in the order of the pieces
     *
     * @throws RuntimeException when a piece failed, or a process ended without having done its work
     */
    public function each(array $pieces): array
    {
        if ($this->processes === 1 || count($pieces) < 2) {
            return array_map(static fn (Closure $piece): object => $piece(), $pieces);
        }

        DB::disconnect();
        $next = $this->file(pack('J', 0));
        $done = [];

        for ($i = 0; $i < min($this->processes, count($pieces)); $i++) {
            $file = $this->file();
            $child = pcntl_fork();
            $child === -1 && throw new RuntimeException('No process could be started.');
            $child === 0 && $this->work($pieces, $next, $file);
            $done[$child] = $file;
        }

        /** @var list<T> $all */
        $all = $this->gathered($done, count($pieces));

        return $all;
    }

    /**
     * @param  list<Closure(): object>  $pieces
     * @param  resource  $next
     * @param  resource  $file
     */
    private function work(array $pieces, $next, $file): never
    {
        $answers = [];

        try {
            while (($piece = $pieces[($place = $this->take($next))] ?? null) !== null) {
                $answers[$place] = $piece();
            }
        } catch (Throwable $failure) {
            $answers = $failure::class.": {$failure->getMessage()}";
        }

        fwrite($file, serialize($answers));
        fflush($file);
        // It ends here and now: nothing that its parent would do at its own end is done twice.
        posix_kill(posix_getpid(), SIGKILL);
        exit(1);
    }

    /** @param  resource  $next opened anew by each process, so that a lock keeps the others out */
    private function take($next): int
    {
        $own = fopen(stream_get_meta_data($next)['uri'] ?? '', 'r+');
        ($own !== false && flock($own, LOCK_EX))
            || throw new RuntimeException('The next piece of work could not be taken.');
        $place = unpack('J', (string) fread($own, 8))[1] ?? 0;
        $place = is_int($place) ? $place : 0;
        rewind($own);
        fwrite($own, pack('J', $place + 1));
        fclose($own);

        return $place;
    }

    /**
     * @param  array<int, resource>  $done by process
     * @return list<mixed>
     */
    private function gathered(array $done, int $count): array
    {
        $all = [];

        foreach ($done as $child => $file) {
            pcntl_waitpid($child, $status);
            rewind($file);
            $answers = @unserialize((string) stream_get_contents($file));
            is_array($answers)
                || throw new RuntimeException(
                    is_string($answers) ? $answers : 'A process ended before its work was done.',
                );
            $all += $answers;
        }

        count($all) === $count || throw new RuntimeException('A piece of work was left undone.');
        ksort($all);

        return array_values($all);
    }

    /** @return resource */
    private function file(string $holds = '')
    {
        $file = tmpfile();
        ($file !== false && fwrite($file, $holds) !== false && fflush($file))
            || throw new RuntimeException('No file could be made.');

        return $file;
    }
}
