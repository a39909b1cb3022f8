<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Proof\Prove;
use Illuminate\Support\Facades\DB;

/**
 * What somebody can do who is past the database's own locks: on a database of its own, whose triggers that refuse are
 * gone.
 */
abstract class TamperCase extends FeatureCase
{
    private static bool $isReady = false;

    public function refreshDatabase(): void
    {
        $own = config('database.connections.mariadb.database').'_open';
        $this->useDatabase($own);
        self::$isReady || $this->open();
        self::$isReady = true;
        $this->beginDatabaseTransaction();
    }

    private function open(): void
    {
        $this->artisan('migrate:fresh');

        foreach (
            DB::table('information_schema.TRIGGERS')
                ->where('TRIGGER_SCHEMA', DB::getDatabaseName())
                ->where('ACTION_STATEMENT', 'like', '%SIGNAL%')
                ->pluck('TRIGGER_NAME') as $trigger
        ) {
            DB::unprepared("DROP TRIGGER `{$trigger}`");
        }
    }

    protected function faults(): string
    {
        return implode("\n", app(Prove::class)->handle()->faults);
    }
}
