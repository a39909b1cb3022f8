<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Customers out and in as a table. */
final class CustomersCsvController
{
    public function __construct(private readonly KeptUploads $uploads)
    {
    }

    public function out(CustomersTable $table): StreamedResponse
    {
        return Csv::download('customers.csv', CustomersTable::COLUMNS, $table->rows());
    }

    public function show(): View
    {
        return view('interchange.customers', ['report' => null, 'columns' => CustomersTable::COLUMNS, 'csv' => '']);
    }

    public function dryRun(Request $request, CustomersImport $import): View
    {
        $csv = $this->uploads->read($request);

        return view('interchange.customers', [
            'report' => $import->dryRun($csv),
            'columns' => CustomersTable::COLUMNS,
            'csv' => $this->uploads->keep($csv),
        ]);
    }

    public function bringIn(Request $request, CustomersImport $import, #[CurrentUser] Staff $by): RedirectResponse
    {
        $report = $import->bringIn($this->uploads->kept($request->string('csv')->value()), $by);

        return redirect()
            ->route('customers')
            ->with('done', "Brought in: {$report->new} new, {$report->changed} changed.");
    }
}
