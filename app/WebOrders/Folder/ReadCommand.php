<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Folder;

use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use PDOException;
use RuntimeException;

/** Takes in what lies in the senders' folders: once, or for as long as it runs. */
final class ReadCommand extends Command
{
    private const PAUSE = 5;

    protected $signature = 'web-orders:read {--forever : go on until it is stopped}';

    protected $description = 'Takes in orders that lie in the folders of web shops';

    public function handle(ReadFolders $folders): int
    {
        $root = config('house.web_orders');

        if ($this->option('forever') !== true) {
            $read = $folders->handle(is_string($root) ? $root : '');
            $this->info($read === 1 ? 'one file was read' : "{$read} files were read");

            return self::SUCCESS;
        }

        do {
            $this->once($folders, is_string($root) ? $root : '');
            sleep(self::PAUSE);
        } while ($this->option('forever') === true);

        return self::SUCCESS;
    }

    /** A database that is away, or a folder that is full, is on record; the files lie there the next time. */
    private function once(ReadFolders $folders, string $root): void
    {
        try {
            $folders->handle($root);
        } catch (QueryException|PDOException|RuntimeException $failure) {
            report($failure);
        }
    }
}
