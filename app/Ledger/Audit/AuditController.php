<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Audit;

use Elmstone\Books\Chain\ShopKey;
use Elmstone\Core\Proof\Verifier;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\PeriodRequest;
use Elmstone\Support\LongWork;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use SplFileObject;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What is handed to the auditor, and what `bin/verify` says of it. */
final class AuditController
{
    /** How long a period may take. */
    private const SECONDS = 300;

    public function __construct(private readonly AuditFile $file, private readonly AuditTables $tables)
    {
    }

    public function index(PeriodRequest $request): View
    {
        return view('ledger.auditor', [
            'period' => $request->period('last-month'),
            'tables' => AuditTables::DESCRIPTION,
            'fingerprint' => ShopKey::find()->fingerprint(),
            'found' => null,
        ]);
    }

    public function file(PeriodRequest $request, #[CurrentUser] Staff $by): StreamedResponse
    {
        $period = $request->period('last-month');
        [$from, $until] = $period->dates();
        SecurityLog::write(SecurityEvent::Exported, $by, "auditor’s file {$from} to {$until}");

        return response()->streamDownload(function () use ($period): void {
            LongWork::mayTake(self::SECONDS);

            foreach ($this->file->lines($period) as $line) {
                echo $line;
            }
        }, "export-{$from}-{$until}.jsonl", ['Content-Type' => 'application/jsonl; charset=UTF-8']);
    }

    public function table(PeriodRequest $request, string $table, #[CurrentUser] Staff $by): StreamedResponse
    {
        $period = $request->period('last-month');
        SecurityLog::write(SecurityEvent::Exported, $by, "auditor’s {$table} {$period->words()}");

        return $this->tables->of($table, $period)->csv();
    }

    public function description(): Response
    {
        $lines = [
            'Tables of the export. CSV (RFC 4180), UTF-8, amounts in major units with a point, days as YYYY-MM-DD.', '',
        ];

        foreach (AuditTables::DESCRIPTION as $table => [$what, $columns]) {
            $lines[] = "{$table}.csv: {$what}";

            foreach ($columns as $column => $means) {
                $lines[] = "  {$column}: {$means}";
            }

            $lines[] = '';
        }

        $lines[] = 'export.jsonl has the same sealed and signed; bin/verify checks it, docs/chain.md gives its shape.';

        return response(implode("\n", $lines)."\n", 200, ['Content-Type' => 'text/plain; charset=UTF-8']);
    }

    /** A file that is brought, or the period as it stands now. */
    public function check(PeriodRequest $request): View
    {
        $request->validate(['file' => ['nullable', 'file', 'max:512000']]);
        LongWork::mayTake(self::SECONDS);
        $file = $request->file('file');
        $period = $request->period('last-month');
        $began = hrtime(true);
        $found = Verifier::check(
            $file instanceof UploadedFile ? self::linesOf($file) : $this->file->lines($period, true),
            ShopKey::find()->fingerprint(),
        );

        return view('ledger.auditor', [
            'period' => $period,
            'tables' => AuditTables::DESCRIPTION,
            'fingerprint' => ShopKey::find()->fingerprint(),
            'found' => $found,
            'of' => $file instanceof UploadedFile ? $file->getClientOriginalName() : $period->words(),
            'seconds' => (hrtime(true) - $began) / 1e9,
        ]);
    }

    /** @return iterable<string> */
    private static function linesOf(UploadedFile $file): iterable
    {
        $open = new SplFileObject((string) $file->getRealPath(), 'rb');

        while (! $open->eof()) {
            $line = $open->fgets();

            if ($line !== '') {
                yield $line;
            }
        }
    }
}
