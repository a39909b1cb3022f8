<?php

declare(strict_types=1);

namespace Elmstone\Books\Console;

use Elmstone\Books\Chain\SealedBlocks;
use Illuminate\Console\Command;

/** Writes sealed documents into the files that exports read, so that whoever exports a year does not wait for it. */
final class KeepSealedCommand extends Command
{
    protected $signature = 'books:keep-sealed';

    protected $description = 'Write sealed documents into the files that exports read';

    public function handle(SealedBlocks $blocks): int
    {
        $made = $blocks->keep();
        $this->line($made === 1 ? '1 file was written.' : "{$made} files were written.");

        return self::SUCCESS;
    }
}
