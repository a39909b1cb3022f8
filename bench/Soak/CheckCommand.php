<?php

declare(strict_types=1);

namespace Elmstone\Bench\Soak;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Whether all that was acknowledged is there once, nothing is there twice or by half, and no number is left out; and
 * whether workers did all that was asked of them, once.
 */
final class CheckCommand extends Command
{
    protected $signature = 'soak:check {folder}';

    protected $description = 'See whether what was acknowledged is there, once, and nothing by half';

    /** Seconds until the workers must be through: what a killed one was at, another takes up after 90. */
    private const WORKERS = 200;

    public function handle(): int
    {
        $folder = is_string($this->argument('folder')) ? $this->argument('folder') : '';
        $acknowledged = $this->acknowledged($folder);
        $mailed = array_merge(...array_map(self::lines(...), glob("{$folder}/mailed-*") ?: []));
        $this->awaitWorkers();
        $faults = [
            ...$this->lost($acknowledged),
            ...$this->unsent($mailed),
            ...$this->counted('A number without a document, or two with one', 'SELECT s.kind, s.last_number, '
                .'COUNT(d.id), COUNT(DISTINCT d.number) FROM series s LEFT JOIN documents d ON d.kind = s.kind '
                .'GROUP BY s.kind, s.last_number, s.first_number HAVING COUNT(DISTINCT d.number) <> COUNT(d.id) '
                .'OR COUNT(d.id) + s.first_number <> s.last_number + 1'),
            ...$this->counted('A document without its seal or its journal', 'SELECT d.id FROM documents d '
                .'LEFT JOIN document_digests g ON g.document_id = d.id LEFT JOIN journal_entries e '
                .'ON e.document_id = d.id WHERE g.document_id IS NULL OR e.document_id IS NULL'),
            ...$this->counted('A slip posted without a document', 'SELECT s.id FROM slips s LEFT JOIN documents d '
                .'ON d.id = s.document_id LEFT JOIN documents c ON c.id = s.credit_note_id '
                ."WHERE s.state = 'posted' AND d.id IS NULL AND c.id IS NULL"),
            ...$this->counted('A document that two slips have', 'SELECT document_id FROM slips '
                .'WHERE document_id IS NOT NULL GROUP BY document_id HAVING COUNT(*) > 1'),
            ...$this->counted('A mail that went twice, or not at all', 'SELECT o.wanted, m.went FROM (SELECT '
                ."JSON_VALUE(data, '$.to') AS wanted, COUNT(*) AS n FROM outbox WHERE what = 'mail' GROUP BY 1) o "
                .'LEFT JOIN (SELECT recipient AS went, COUNT(*) AS n FROM sent_mails GROUP BY 1) m '
                .'ON m.went = o.wanted WHERE COALESCE(m.n, 0) <> o.n'),
            ...$this->counted('A work that is not done', "SELECT id, what, state FROM works WHERE state <> 'done'"),
            ...$this->counted('A run of statements that is not whole', 'SELECT r.id, r.state, r.wanted, COUNT(s.id) '
                ."FROM statement_runs r LEFT JOIN statements s ON s.run_id = r.id AND s.state = 'made' "
                ."GROUP BY r.id, r.state, r.wanted HAVING r.state <> 'done' OR COUNT(s.id) <> r.wanted"),
        ];
        array_map($this->error(...), $faults);
        $this->line(sprintf(
            '%d acknowledged, %d documents; %d mails and %d runs of statements by workers',
            count($acknowledged),
            DB::table('documents')->count(),
            DB::table('sent_mails')->count(),
            DB::table('statement_runs')->count(),
        ));

        return $faults === [] ? self::SUCCESS : self::FAILURE;
    }

    /** @return array<string, string> what a slip was posted as, by its key */
    private function acknowledged(string $folder): array
    {
        $all = [];

        foreach (glob("{$folder}/acknowledged-*") ?: [] as $file) {
            foreach (self::lines($file) as $line) {
                [$slip, $label] = explode(' ', $line);
                $all[$slip] = $label;
            }
        }

        return $all;
    }

    /**
     * @param  array<string, string>  $acknowledged
     * @return list<string>
     */
    private function lost(array $acknowledged): array
    {
        $there = [];

        foreach (array_chunk(array_keys($acknowledged), 500) as $keys) {
            $there += DB::table('slips as s')
                ->leftJoin('documents as d', 'd.id', '=', 's.document_id')
                ->leftJoin('documents as c', 'c.id', '=', 's.credit_note_id')
                ->whereIn('s.key', $keys)
                ->where('s.state', 'posted')
                ->selectRaw('s.`key`, CONCAT_WS(" ", d.label, c.label) AS labels')
                ->pluck('labels', 'key')
                ->all();
        }

        $lost = array_filter(
            $acknowledged,
            static fn (string $label, string $slip): bool => ! in_array(
                $label,
                explode(' ', $there[$slip] ?? ''),
                true,
            ),
            ARRAY_FILTER_USE_BOTH,
        );

        return array_map(
            static fn (string $slip, string $label): string => "{$label} on slip {$slip} was acknowledged, not there",
            array_keys($lost),
            $lost,
        );
    }

    /**
     * @param  list<string>  $mailed whom something goes to, as was said
     * @return list<string>
     */
    private function unsent(array $mailed): array
    {
        $sent = DB::table('sent_mails')->pluck('recipient', 'recipient')->all();

        return array_values(array_map(
            static fn (string $to): string => "A receipt goes to {$to}, was said, and did not",
            array_filter($mailed, static fn (string $to): bool => ! isset($sent[$to])),
        ));
    }

    private function awaitWorkers(): void
    {
        $until = microtime(true) + self::WORKERS;

        while (
            microtime(true) < $until
            && (DB::table('jobs')->exists() || DB::table('outbox')->where('state', 'waiting')->exists())
        ) {
            sleep(1);
        }
    }

    /** @return list<string> */
    private static function lines(string $file): array
    {
        return file($file, FILE_IGNORE_NEW_LINES) ?: [];
    }

    /** @return list<string> */
    private function counted(string $words, string $sql): array
    {
        $found = DB::select($sql);

        return $found === [] ? [] : ["{$words}: ".json_encode(array_slice($found, 0, 3))];
    }
}
