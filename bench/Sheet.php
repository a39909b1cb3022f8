<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Illuminate\Console\Command;

/** What was measured, as the page that is kept beside the code. */
final class Sheet
{
    /**
     * @param  string  $name of the page, in lower case
     * @param  string  $of what it was measured on, a part of a sentence
     * @param  list<array{string, Timings, string}>  $rows what, how long, aim
     */
    public static function write(Command $on, string $name, string $of, array $rows): void
    {
        $table = implode('', array_map(static fn (array $row): string => sprintf(
            "| %s | %.1f | %.1f | %s |\n",
            $row[0],
            $row[1]->percentile(50),
            $row[1]->percentile(95),
            $row[2],
        ), $rows));
        $report = sprintf(
            "# %s, measured on %s\n\n%d cores, PHP %s. %s; durable commits. Milliseconds; floors are from the same "
                ."run.\n\n| | p50 | p95 | aim |\n|---|---:|---:|---|\n%s",
            ucfirst($name),
            date('j M Y'),
            (int) shell_exec('nproc'),
            PHP_VERSION,
            $of,
            $table,
        );
        $on->line($report);
        file_put_contents(base_path("bench/{$name}.md"), $report);
    }
}
