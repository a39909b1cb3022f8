<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** The shop that is served: so many items, some days, and open tills. */
final class ServingShopCommand extends Command
{
    protected $signature = 'bench:serving-shop {--items=20000} {--tills=16}';

    protected $description = 'Make the shop that serving is measured on';

    public function handle(Stock200k $shop): int
    {
        $shop->build((int) $this->option('items'), 500);
        $place = (int) Location::query()->orderBy('id')->value('id');

        for ($number = 101; $number <= 100 + (int) $this->option('tills'); $number++) {
            $till = Till::query()->create(['location_id' => $place, 'number' => $number, 'name' => "Till {$number}"]);
            OpenTills::open($till, 1);
        }

        // What the database does by itself within a minute, but not on a node that is copied before that.
        DB::statement('ANALYZE TABLE items, item_words, stock, stock_movements, documents, document_lines');

        return self::SUCCESS;
    }
}
