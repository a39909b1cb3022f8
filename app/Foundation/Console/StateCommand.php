<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Console;

use Elmstone\Shop\Shop;
use Illuminate\Console\Command;

/** Says whether there is a shop in the database: empty, half (the demonstration was not loaded to its end) or open. */
final class StateCommand extends Command
{
    protected $signature = 'shop:state';

    protected $description = 'Say whether the database is empty, half loaded or a shop that is open';

    public function handle(): int
    {
        $shop = Shop::query()->first();
        $this->line(
            match (true) {
                $shop === null => 'empty',
                $shop->loading => 'half',
                default => 'open',
            },
        );

        return self::SUCCESS;
    }
}
