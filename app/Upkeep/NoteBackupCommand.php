<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Keeps that a backup was made, so that the owner sees when the last one was. */
final class NoteBackupCommand extends Command
{
    protected $signature = 'backup:note {name} {--bytes=0} {--sha256=} {--seconds=0}';

    protected $description = 'Keep that a backup was made';

    public function handle(): int
    {
        DB::table('backups')->insert([
            'name' => self::word($this->argument('name')),
            'bytes' => (int) self::word($this->option('bytes')),
            'sha256' => self::word($this->option('sha256')),
            'seconds' => (int) self::word($this->option('seconds')),
            'version' => Version::current(),
        ]);

        return self::SUCCESS;
    }

    private static function word(mixed $given): string
    {
        return is_string($given) ? $given : '';
    }
}
