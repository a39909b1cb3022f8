<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Tables;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\KeptUploads;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Elmstone\Support\LongWork;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ImportReport;
use Elmstone\Work\Work;
use Elmstone\Work\WorkQueue;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Tables of the house as files, in and out: looked at first, then all of it or nothing. */
final readonly class TablesController
{
    /** Seconds that all rows of the largest file are looked at for. */
    private const TIME = 180;

    /** @param  iterable<BringsIn>  $tables of all rooms */
    public function __construct(
        private iterable $tables,
        private KeptUploads $uploads,
        private WorkQueue $works,
    ) {
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
        return view('interchange.table', [
            'table' => $this->of($table), 'report' => null, 'csv' => '', 'work' => null,
        ]);
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

    public function dryRun(Request $request, string $table): View|RedirectResponse
    {
        $of = $this->of($table);
        $csv = $this->uploads->read($request);
        TableWork::assertHead($of, $csv);
        TableWork::assertFits($of, $csv);
        $work = $this->works->begin(TableWork::LOOK, $this->by(), [
            'table' => $table, 'csv' => $this->uploads->keep($csv),
        ]);

        return $work->isEnded() ? $this->work($table, $work) : redirect()->route('tables.work', [$table, $work->id]);
    }

    public function bringIn(Request $request, string $table, OneAtATime $one): RedirectResponse
    {
        $this->of($table);
        $work = $one->bringIn($table, $request->string('csv')->value(), $this->by());

        return match ($work->state) {
            'done' => redirect()->route('tables.show', $table)->with('done', $work->words),
            'refused' => throw Refused::because('not_brought_in', $work->words),
            default => redirect()->route('tables.work', [$table, $work->id]),
        };
    }

    /** How far it is; and once it is done, what came of it. */
    public function work(string $table, Work $work): View
    {
        $of = $this->of($table);
        abort_unless(($work->data['table'] ?? '') === $table, 404);
        $isLooked = $work->what === TableWork::LOOK && $work->state === 'done';

        return view('interchange.table', [
            'table' => $of,
            'report' => $isLooked ? ImportReport::of($work->result ?? []) : null,
            'csv' => $work->data['csv'] ?? '',
            'work' => $work,
        ]);
    }

    /** All the rows that the page shows the first of. */
    public function rows(string $table, Work $work, TableWork $look): StreamedResponse
    {
        $of = $this->of($table);
        abort_unless(($work->data['table'] ?? '') === $table && $work->what === TableWork::LOOK, 404);
        LongWork::mayTake(self::TIME);
        $digest = $work->data['csv'] ?? '';
        $report = $look->whole($of, is_string($digest) ? $digest : '');

        return Csv::download(
            "{$table}-".($report->bad > 0 ? 'not-right' : 'changes').'.csv',
            ['line', 'name', $report->bad > 0 ? 'what is wrong' : 'what changes'],
            $report->rowsToSee(),
        );
    }

    private function by(): Staff
    {
        $by = Auth::user();

        return $by instanceof Staff ? $by : abort(403);
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
