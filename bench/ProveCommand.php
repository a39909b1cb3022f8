<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Books\Chain\Seal;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Proof\Prove;
use Elmstone\Support\SideBySide;
use Illuminate\Console\Command;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Builds a shop with many documents, seals them, and measures how long the proof of all of them takes. */
final class ProveCommand extends Command
{
    private const AT_ONCE = 5000;

    protected $signature = 'bench:prove {--address=} {--documents=200000}';

    protected $description = 'Measure the proof of the books';

    public function handle(Stock200k $shop, Seal $seal, Prove $prove): int
    {
        $this->line('building the shop');
        $shop->build(1000, 2000);
        $shop->multiply((int) $this->option('documents'), sealed: false);
        $start = microtime(true);
        DB::table('documents as d')
            ->leftJoin('document_digests as s', 's.document_id', '=', 'd.id')
            ->whereNull('s.document_id')
            ->orderBy('d.kind')
            ->orderBy('d.number')
            ->get(['d.id', 'd.kind', 'd.number'])
            ->chunk(self::AT_ONCE)
            ->each(static fn (Collection $some) => DB::transaction(
                static fn () => $some->each(static fn (object $document) => $seal->atTheEnd(
                    (int) $document->id,
                    DocumentKind::from((string) $document->kind),
                    (int) $document->number,
                )),
            ));
        $sealed = microtime(true) - $start;
        // The floor: every row that is proved, read once by the same machine.
        $start = microtime(true);

        foreach (
            [
                'documents', 'document_lines', 'document_line_taxes', 'document_taxes', 'document_tenders',
                'journal_lines', 'journal_entries',
            ] as $table
        ) {
            foreach (DB::cursor("SELECT * FROM {$table}") as $row) {
                unset($row);
            }
        }

        $floor = microtime(true) - $start;
        memory_reset_peak_usage();
        $start = microtime(true);
        $proof = $prove->handle(true, SideBySide::here());
        $afresh = microtime(true) - $start;
        $start = microtime(true);
        $prove->handle(false, SideBySide::here());
        $taken = microtime(true) - $start;
        $documents = DB::table('documents')->count();
        $report = '# The proof of the books, measured on '
            .date('j M Y')
            ."\n\n"
            .sprintf(
                "%d cores, PHP %s. %s documents. Floors are from the same run.\n\n| | measured | floor | aim "
                    ."|\n|---|---:|---:|---|\n",
                (int) shell_exec('nproc'),
                PHP_VERSION,
                number_format($documents),
            )
            .sprintf(
                '| Proof, each document reckoned before and held against its seal | %.1f s, %.0f MB | %.1f s, every '
                    ."row read once | under 60 s |\n| Proof afresh, each document reckoned again | %.1f s | | |\n| "
                    ."Sealing all documents | %.1f s | | |\n",
                $taken,
                memory_get_peak_usage() / 1e6,
                $floor,
                $afresh,
                $sealed,
            );
        $this->line($report);
        $this->line(count($proof->faults).' faults, of documents that were copied with what is not copied');
        file_put_contents(base_path('bench/prove.md'), $report);

        return self::SUCCESS;
    }
}
