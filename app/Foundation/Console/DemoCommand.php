<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Console;

use Elmstone\Demo\DemoHouse;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Paper\Outgoing;
use Elmstone\Shop\Shop;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Loads the demonstration shop. */
final class DemoCommand extends Command
{
    protected $signature = 'shop:demo {--if-empty : say nothing and do nothing where there is a shop already} '
        .'{--months=14 : how far back its history goes}';

    protected $description = 'Load the demonstration shop into an empty database';

    public function handle(DemoHouse $demo): int
    {
        if (app()->isProduction()) {
            $this->error('This is production: the demonstration, whose PINs everybody knows, is not loaded here.');

            return self::FAILURE;
        }

        if (Shop::query()->where('loading', true)->exists()) {
            $this->error('The demonstration shop in this database was not loaded to its end.');

            return self::FAILURE;
        }

        if (Shop::query()->exists()) {
            if ($this->option('if-empty') !== true) {
                $this->error('There is a shop in this database already.');

                return self::FAILURE;
            }

            return self::SUCCESS;
        }

        $months = $this->option('months');
        $this->line('loading the demonstration shop');
        $demo->load(
            ShopTime::today(),
            fn (string $done) => $this->line("  {$done}"),
            is_numeric($months) ? (int) $months : DemoHouse::MONTHS,
        );

        // The papers of days gone by were handed out then.
        Outgoing::query()
            ->where('state', 'waiting')
            ->update(['state' => 'sent', 'ended_at' => DB::raw('made_at')]);
        GiftCard::query()->update(['number' => null]);
        Shop::query()->update(['loading' => false]);

        return self::SUCCESS;
    }
}
