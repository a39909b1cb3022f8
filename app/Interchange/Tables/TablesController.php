<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Tables;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\CsvRows;
use Elmstone\Interchange\KeptUploads;
use Elmstone\Support\Csv;
use Elmstone\Support\LongWork;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ImportReport;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Tables of the house as files, in and out: looked at first, then all of it or nothing. */
final readonly class TablesController
{
    /** Seconds a file of the largest size may take. */
    private const TIME = 300;

    /** @param  iterable<BringsIn>  $tables of all rooms */
    public function __construct(private iterable $tables, private KeptUploads $uploads)
    {
    }

    public function index(): View
    {
        return view('interchange.tables', ['tables' => array_filter(
            [...$this->tables],
            static fn (BringsIn $table): bool => Gate::check($table->abilities()),
        )]);
    }

    public function show(string $table): View
    {
        return view('interchange.table', ['table' => $this->of($table), 'report' => null, 'csv' => '']);
    }

    public function out(string $table): StreamedResponse
    {
        $of = $this->of($table);

        return Csv::download("{$table}.csv", $of->columns(), $of->rows());
    }

    public function template(string $table): StreamedResponse
    {
        $of = $this->of($table);

        return Csv::download("{$table}-template.csv", $of->columns(), $of->example());
    }

    public function dryRun(Request $request, string $table): View
    {
        LongWork::mayTake(self::TIME);
        $of = $this->of($table);
        $csv = $this->uploads->read($request);

        return view('interchange.table', [
            'table' => $of, 'report' => $this->report($of, $csv), 'csv' => $this->uploads->keep($csv),
        ]);
    }

    public function bringIn(Request $request, string $table): RedirectResponse
    {
        LongWork::mayTake(self::TIME);
        $of = $this->of($table);
        $digest = $request->string('csv')->value();
        $csv = $this->uploads->kept($digest);
        $report = $this->report($of, $csv);
        $report->bad === 0 || throw Refused::because(
            'bad_rows',
            "{$report->bad} rows are not right any more; nothing was brought in. Look at the file again.",
        );
        DB::transaction(static fn () => $of->write((new CsvRows($csv))->rows(), $digest));

        return redirect()
            ->route('tables.show', $table)
            ->with('done', "Brought in: {$report->new} new, {$report->changed} changed, {$report->same} as they were.");
    }

    /** @throws Refused not_a_table, missing_column, unknown_column */
    private function report(BringsIn $of, string $csv): ImportReport
    {
        $rows = new CsvRows($csv);
        $missing = array_values(array_diff($of->needed(), $rows->head));
        $missing === [] || throw Refused::because(
            'missing_column',
            "The first row must name the columns. There is none called “{$missing[0]}”.",
        );
        $unknown = array_values(array_diff($rows->head, [...$of->columns(), '']));
        $unknown === [] || throw Refused::because(
            'unknown_column',
            "There is no column “{$unknown[0]}” here. It takes: ".implode(', ', $of->columns()).'.',
        );
        $report = new ImportReport;
        $of->check($rows->rows(), $report);

        return $report->rows === 0 ? throw Refused::because('not_a_table', 'There is no row under the head.') : $report;
    }

    private function of(string $key): BringsIn
    {
        foreach ($this->tables as $table) {
            if ($table->key() === $key) {
                abort_unless(Gate::check($table->abilities()), 403);

                return $table;
            }
        }

        abort(404);
    }
}
