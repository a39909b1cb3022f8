<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Customers out and in as a table. */
final class CustomersCsvController
{
    private const FOLDER = 'imports';

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
        $file = $request->file('file');
        $csv = $file instanceof UploadedFile
                ? $file->getContent()
                : throw Refused::because('no_file', 'Choose a file first.');

        return view('interchange.customers', [
            'report' => $import->dryRun($csv),
            'columns' => CustomersTable::COLUMNS,
            'csv' => $this->keep($csv),
        ]);
    }

    /** Keeps what was looked at until it is brought in; what was left lying for a day goes. */
    private function keep(string $csv): string
    {
        $disk = Storage::disk('local');

        foreach ($disk->files(self::FOLDER) as $file) {
            $disk->lastModified($file) < time() - 86400 && $disk->delete($file);
        }

        $digest = hash('sha256', $csv);
        $disk->put(self::FOLDER."/{$digest}", $csv);

        return $digest;
    }

    private function kept(string $digest): string
    {
        $csv = preg_match('/^[0-9a-f]{64}$/D', $digest) === 1
                ? Storage::disk('local')->get(self::FOLDER."/{$digest}")
                : null;

        return $csv ?? throw Refused::because('gone', 'The file is not here any more. Choose it again.');
    }

    public function bringIn(Request $request, CustomersImport $import, #[CurrentUser] Staff $by): RedirectResponse
    {
        $report = $import->bringIn($this->kept($request->string('csv')->value()), $by);

        return redirect()
            ->route('customers')
            ->with('done', "Brought in: {$report->new} new, {$report->changed} changed.");
    }
}
