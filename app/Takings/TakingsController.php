<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Elmstone\Catalogue\Department;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Interchange\CsvRows;
use Elmstone\Interchange\KeptUploads;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\LongWork;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** The sheet of a day’s takings, or a file of them: looked at first, posted then. */
final readonly class TakingsController
{
    private const BLANK = 10;

    /** Empty rows under those that are filled in. */
    private const MORE = 4;

    private const SHOWN = 20;

    /** Seconds for the largest file. */
    private const TIME = 180;

    public function __construct(
        private TakingsTable $table,
        private KeptUploads $uploads,
        private House $house,
        private AtTill $atTill,
    ) {
    }

    public function show(): View
    {
        return $this->page([], [], null, '');
    }

    /** Looks at what is on the sheet, or in the file. */
    public function check(Request $request, #[CurrentUser] Staff $by): View
    {
        $rows = $request->hasFile('file') ? [] : self::typed($request);
        $csv = $request->hasFile('file') ? $this->uploads->read($request) : self::asCsv($rows);

        try {
            $report = $this->read($csv, $request->string('day')->trim()->value(), $by);
            $this->customer($request);
        } catch (Refused $refused) {
            return $this->page($request->all(), $rows, null, '')->withErrors(['day' => $refused->getMessage()]);
        }

        return $this->page(
            $request->all(),
            $rows !== [] ? $rows : self::bad($csv, $report),
            $report,
            $this->uploads->keep($csv),
        );
    }

    public function post(Request $request, PostTakings $post, #[CurrentUser] Staff $by): RedirectResponse
    {
        LongWork::mayTake(self::TIME);
        $digest = $request->string('csv')->value();
        $day = $request->string('day')->trim()->value();
        $byDay = $request->boolean('by_day');

        try {
            $report = $this->read($this->uploads->kept($digest), $day, $by);
            $report->complaints === [] || throw Refused::because(
                'bad_rows',
                count($report->complaints).' rows are not right; nothing was posted. Check it again.',
            );
            $rows = $report->rows === []
                ? throw Refused::because('nothing_new', 'All of it was entered before; nothing was posted.')
                : $report->rows;
            $customer = $this->customer($request);
            $count = $post->handle(
                $rows,
                $customer,
                $byDay,
                $this->atTill->till(),
                $by,
                Uuid::uuid5(Uuid::NAMESPACE_OID, "takings {$rows[0]->fingerprint} {$digest}")->toString(),
            );
        } catch (Refused $refused) {
            return redirect()->route('takings')->withErrors(['day' => $refused->getMessage()]);
        }

        return redirect()->route('takings')->with('done', match ($count) {
            0 => 'It was posted already.',
            1 => 'Posted as one document.',
            default => "Posted as {$count} documents.",
        });
    }

    public function save(Request $request): RedirectResponse
    {
        $this->house->shop()->update(['takings_by_day' => $request->boolean('by_day')]);

        return redirect()->route('takings')->with('done', 'Kept.');
    }

    private function read(string $csv, string $day, Staff $by): TakingsReport
    {
        $table = new CsvRows($csv);
        $missing = array_diff(TakingsTable::NEEDED, $table->head);
        $missing === [] || throw Refused::because(
            'missing_column',
            'The first row must name the columns. There is none called “'.reset($missing).'”.',
        );

        return $this->table->read($table->rows(), $day, $this->atTill->till()->location, $by);
    }

    /** @throws Refused no_customer */
    private function customer(Request $request): ?Customer
    {
        $number = $request->string('customer')->trim()->value();

        return $number === '' ? null : Customer::query()->where('number', $number)->first()
            ?? throw Refused::because('no_customer', "There is no customer {$number}.");
    }

    /** @return list<array<string, string>> as they stand on the sheet */
    private static function typed(Request $request): array
    {
        $rows = [];

        foreach ((array) $request->input('rows', []) as $row) {
            $cells = [];

            foreach (TakingsTable::COLUMNS as $column) {
                $cell = is_array($row) ? $row[$column] ?? '' : '';
                $cells[$column] = is_string($cell) ? trim($cell) : '';
            }

            $rows[] = $cells;
        }

        while ($rows !== [] && TakingsTable::isBlank($rows[count($rows) - 1])) {
            array_pop($rows);
        }

        return $rows;
    }

    /** @param  list<array<string, string>>  $rows */
    private static function asCsv(array $rows): string
    {
        $file = fopen('php://temp', 'r+b') ?: throw Refused::because('no_rows', 'There is nothing to enter yet.');
        fputcsv($file, TakingsTable::COLUMNS, escape: '');

        foreach ($rows as $row) {
            fputcsv($file, array_values($row), escape: '');
        }

        rewind($file);

        return (string) stream_get_contents($file);
    }

    /** @return list<array<string, string>> the rows of a file that are not right, to be mended on the sheet */
    private static function bad(string $csv, TakingsReport $report): array
    {
        $bad = [];

        foreach ((new CsvRows($csv))->rows() as $line => $row) {
            isset($report->complaints[$line]) && count($bad) < self::SHOWN && ($bad[$line] = $row);
        }

        return array_values($bad);
    }

    /**
     * @param  array<mixed>  $typed
     * @param  list<array<string, string>>  $rows
     */
    private function page(array $typed, array $rows, ?TakingsReport $report, string $csv): View
    {
        $till = $this->atTill->till();

        return view('takings.sheet', [
            'till' => $till,
            'house' => $this->house,
            'typed' => $typed,
            'rows' => array_pad($rows, max(self::BLANK, count($rows) + self::MORE), []),
            'isFile' => ($typed['file'] ?? null) !== null,
            'report' => $report,
            ...$this->sums($report, $till),
            'csv' => $csv,
            'departments' => Department::query()->orderBy('name')->pluck('name', 'code'),
            'columns' => TakingsTable::COLUMNS,
            'done' => DB::table('takings')
                ->where('location_id', $till->location_id)
                ->orderByDesc('id')
                ->limit(self::SHOWN)
                ->get(),
            'people' => Staff::query()->pluck('name', 'id'),
        ]);
    }

    /** @return array{sums: array<string, Money>, come: array<int, Money>} taken, by way of paying and by line */
    private function sums(?TakingsReport $report, Till $till): array
    {
        [$sums, $come] = [[], []];

        foreach ($report->rows ?? [] as $row) {
            $taken = (new TakingsDraft([$row], $this->house, $till->location))->total();
            $way = $row->tender->label();
            $sums[$way] = ($sums[$way] ?? $this->house->money(0))->plus($taken);
            $come[$row->line] = $taken;
        }

        return ['sums' => $sums, 'come' => $come];
    }
}
