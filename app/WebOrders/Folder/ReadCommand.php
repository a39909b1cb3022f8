<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Folder;

use Illuminate\Console\Command;

/** Takes in what lies in the senders' folders: once, or for as long as it runs. */
final class ReadCommand extends Command
{
    private const PAUSE = 5;

    protected $signature = 'web-orders:read {--forever : go on until it is stopped}';

    protected $description = 'Takes in orders that lie in the folders of web shops';

    public function handle(ReadFolders $folders): int
    {
        $root = config('house.web_orders');

        do {
            $read = $folders->handle(is_string($root) ? $root : '');
            $this->option('forever') === true
                ? sleep(self::PAUSE)
                : $this->info($read === 1 ? 'one file was read' : "{$read} files were read");
        } while ($this->option('forever') === true);

        return self::SUCCESS;
    }
}
