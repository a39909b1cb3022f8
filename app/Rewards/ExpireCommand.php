<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Illuminate\Console\Command;

/** For the machine's timer; without it the first at the counter does it. */
final class ExpireCommand extends Command
{
    protected $signature = 'rewards:expire';

    protected $description = 'Let points run out that nobody used in time';

    public function handle(ExpirePoints $expire): int
    {
        $expire->ofToday();

        return self::SUCCESS;
    }
}
