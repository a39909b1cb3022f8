<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Elmstone\Books\FirstNumbers;
use Illuminate\Console\Command;

/** Says, in a line, the number each series gives out next: the same before and after an upgrade. */
final class CountsCommand extends Command
{
    protected $signature = 'books:counts';

    protected $description = 'Say which number each series gives out next';

    public function handle(): int
    {
        $next = FirstNumbers::next();
        ksort($next);
        $this->line(json_encode($next, JSON_THROW_ON_ERROR));

        return self::SUCCESS;
    }
}
