<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Tables;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\CsvRows;
use Elmstone\Interchange\KeptUploads;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ImportReport;
use Elmstone\Work\DoesWork;
use Elmstone\Work\Progress;
use Elmstone\Work\Work;
use Illuminate\Support\Facades\DB;
use LogicException;

/** Looks at the rows of a file, or brings them in: all of them, and that it did, in one transaction. */
final readonly class TableWork implements DoesWork
{
    public const LOOK = 'look at a table';

    public const BRING_IN = 'bring in a table';

    /** @param  iterable<BringsIn>  $tables of all rooms */
    public function __construct(private iterable $tables, private KeptUploads $uploads)
    {
    }

    public function does(): array
    {
        return [self::LOOK, self::BRING_IN];
    }

    public function takesLong(): bool
    {
        return true;
    }

    public function piece(Work $work, Progress $progress): bool
    {
        ['table' => $key, 'csv' => $digest] = $work->data + ['table' => '', 'csv' => ''];
        $table = $this->table($key);
        $csv = $this->uploads->kept($digest);
        self::assertFits($table, $csv);
        $of = substr_count($csv, "\n") * ($work->what === self::LOOK ? 1 : 2);
        $report = self::report($table, $csv, $progress, $of);

        if ($work->what === self::LOOK) {
            $work->forceFill(['result' => get_object_vars($report)])->save();

            return false;
        }

        $report->bad === 0 || throw Refused::because(
            'bad_rows',
            "{$report->bad} rows are not right any more; nothing was brought in. Look at the file again.",
        );
        $done = intdiv($of, 2);
        $brought = static function (int $rows = 1) use (&$done, $progress, $of): void {
            $progress->at($done += $rows, $of);
        };
        DB::transaction(static function () use ($table, $csv, $digest, $work, $report, $brought): void {
            $table->write((new CsvRows($csv))->rows(), $digest, $brought);
            $work->forceFill([
                'state' => 'done',
                'words' => sprintf(
                    'Brought in: %s new, %s changed, %s as they were.',
                    ...array_map(number_format(...), [$report->new, $report->changed, $report->same]),
                ),
                'ended_at' => now()->format('Y-m-d H:i:s.v'),
            ])->save();
        });

        return false;
    }

    /** @throws Refused missing_column, unknown_column */
    public static function assertHead(BringsIn $of, string $csv): void
    {
        $head = (new CsvRows($csv))->head;
        $missing = array_values(array_diff($of->needed(), $head));
        $missing === [] || throw Refused::because(
            'missing_column',
            "The first row must name the columns. There is none called “{$missing[0]}”.",
        );
        $unknown = array_values(array_diff($head, [...$of->columns(), '']));
        $unknown === [] || throw Refused::because(
            'unknown_column',
            "There is no column “{$unknown[0]}” here. It takes: ".implode(', ', $of->columns()).'.',
        );
    }

    /**
     * Every row that somebody must see, as it stands now.
     *
     * @param  string  $digest of a file that is kept
     *
     * @throws Refused gone, too_many_rows
     */
    public function whole(BringsIn $table, string $digest): ImportReport
    {
        $csv = $this->uploads->kept($digest);
        self::assertFits($table, $csv);
        $report = ImportReport::whole();
        $table->check((new CsvRows($csv))->rows(), $report);

        return $report;
    }

    /** @throws Refused too_many_rows */
    public static function assertFits(BringsIn $of, string $csv): void
    {
        $rows = 0;

        foreach ((new CsvRows($csv))->rows() as $row) {
            ++$rows <= $of->most() || throw Refused::because(
                'too_many_rows',
                'That is more than '.number_format($of->most()).' rows. Split the file; nothing was brought in.',
            );
        }
    }

    /** @throws Refused not_a_table */
    private static function report(BringsIn $table, string $csv, Progress $progress, int $of): ImportReport
    {
        $report = new ImportReport;
        $table->check($progress->over((new CsvRows($csv))->rows(), $of), $report);

        return $report->rows === 0 ? throw Refused::because('not_a_table', 'There is no row under the head.') : $report;
    }

    private function table(mixed $key): BringsIn
    {
        foreach ($this->tables as $table) {
            if ($table->key() === $key) {
                return $table;
            }
        }

        throw new LogicException('There is no such table.');
    }
}
