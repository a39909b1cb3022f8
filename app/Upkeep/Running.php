<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Carbon\CarbonImmutable;
use Elmstone\Books\Proof\RunProof;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How the house runs: what was kept and proved last, how much room there is, what is installed. */
final readonly class Running
{
    public function __construct(private RunProof $proof)
    {
    }

    /** @return stdClass|null name, bytes, seconds, version, made_at */
    public function lastBackup(): ?stdClass
    {
        return DB::table('backups')->orderByDesc('id')->first();
    }

    /** @return int|null seconds; null: none was made */
    public function backupAge(): ?int
    {
        $last = $this->lastBackup();

        return $last === null ? null
            : (int) CarbonImmutable::parse((string) $last->made_at, 'UTC')->diffInSeconds(CarbonImmutable::now(), true);
    }

    /** @return stdClass|null ran_at, last_document, faults */
    public function lastProof(): ?stdClass
    {
        return $this->proof->last();
    }

    /** @return array{free: int, all: int} bytes of the disk the application lies on */
    public function disk(): array
    {
        return [
            'free' => (int) disk_free_space(storage_path()),
            'all' => (int) disk_total_space(storage_path()),
        ];
    }

    /** @return array<string, string> what is installed, by its name */
    public function versions(): array
    {
        return [
            'Elmstone' => Version::current(),
            'PHP' => PHP_VERSION,
            'Laravel' => app()->version(),
            'MariaDB' => (string) DB::scalar('SELECT VERSION()'),
        ];
    }
}
