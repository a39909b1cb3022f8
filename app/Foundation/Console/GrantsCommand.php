<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Console;

use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/**
 * Lets the user who serves do what serving needs and no more: read and add everywhere, change and delete only where
 * something changes. It cannot alter tables, drop triggers, or change or delete what is posted. Run by the user who
 * owns the tables, after they were made or changed.
 */
final class GrantsCommand extends Command
{
    /** MariaDB's word for a right that is not there to be taken away. */
    private const NO_SUCH_GRANT = 1147;

    /** Of tables whose rows are never deleted, the columns that change; of one written with its key, the key too. */
    private const NARROW = [
        'open_items' => ['customer_id', 'open', 'moved_on', 'set_digest'],
        'customer_changes' => ['before', 'after'],
        'series' => ['last_number', 'summed', 'first_number'],
        'series_heads' => ['kind', 'number', 'digest'],
    ];

    protected $signature = 'house:grants {user : who serves} {--from=127.0.0.1 : where from, as MariaDB writes it}';

    protected $description = 'Let the user who serves do what serving needs, and no more';

    public function handle(): int
    {
        $user = is_string($this->argument('user')) ? $this->argument('user') : '';
        $from = is_string($this->option('from')) ? $this->option('from') : '';

        if (preg_match('/^\w+$/D', $user) !== 1 || preg_match('/^[\w.:%-]+$/D', $from) !== 1) {
            $this->error('A user’s name has letters, digits and underscores; where from is an address, or has %.');

            return self::FAILURE;
        }

        $user = "'{$user}'@'{$from}'";

        $kept = $this->kept();
        // What is worked out over many rows is laid out in tables of its own, which nobody else sees.
        $database = str_replace('_', '\\_', DB::getDatabaseName());
        DB::statement("GRANT CREATE TEMPORARY TABLES ON `{$database}`.* TO {$user}");

        foreach (
            DB::table('information_schema.TABLES')
                ->where('TABLE_SCHEMA', DB::getDatabaseName())
                ->where('TABLE_TYPE', 'BASE TABLE')
                ->orderBy('TABLE_NAME')
                ->pluck('TABLE_NAME') as $table
        ) {
            $this->revoke((string) $table, $user);
            DB::statement("GRANT {$this->may((string) $table, $kept)} ON `{$table}` TO {$user}");
        }

        return self::SUCCESS;
    }

    /** What it could before it cannot any more. Whether it could anything, the user who asks is not shown. */
    private function revoke(string $table, string $user): void
    {
        try {
            DB::statement("REVOKE ALL PRIVILEGES ON `{$table}` FROM {$user}");
        } catch (QueryException $failure) {
            ($failure->errorInfo[1] ?? 0) === self::NO_SUCH_GRANT || throw $failure;
        }
    }

    /** @param  list<string>  $kept */
    private function may(string $table, array $kept): string
    {
        $narrow = self::NARROW[$table] ?? null;

        return match (true) {
            $table === 'migrations' => 'SELECT',
            $narrow !== null => 'SELECT, INSERT, UPDATE ('
                .implode(', ', array_map(static fn (string $column): string => "`{$column}`", $narrow))
                .')',
            in_array($table, $kept, true) => 'SELECT, INSERT',
            default => 'SELECT, INSERT, UPDATE, DELETE',
        };
    }

    /** @return list<string> tables that triggers keep from being changed */
    private function kept(): array
    {
        $found = DB::table('information_schema.TRIGGERS')
            ->where('TRIGGER_SCHEMA', DB::getDatabaseName())
            ->where('ACTION_STATEMENT', 'like', 'SIGNAL%')
            ->whereIn('EVENT_MANIPULATION', ['UPDATE', 'DELETE'])
            ->groupBy('EVENT_OBJECT_TABLE')
            ->havingRaw('COUNT(DISTINCT EVENT_MANIPULATION) = 2')
            ->pluck('EVENT_OBJECT_TABLE')
            ->all();

        return array_values(array_map(static fn (mixed $table): string => is_string($table) ? $table : '', $found));
    }
}
