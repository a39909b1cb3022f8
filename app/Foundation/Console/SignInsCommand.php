<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Console;

use Elmstone\Demo\DemoShop;
use Elmstone\Shop\Settings;
use Elmstone\Staff\Staff;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Config;

/** Prints where the shop is, and how to come in: to set it up, or at the demonstration with whose PINs. */
final class SignInsCommand extends Command
{
    protected $signature = 'shop:sign-ins {--address= : where the application is served}';

    protected $description = 'Print where the shop is, and how to come in';

    public function handle(Settings $settings): int
    {
        $given = $this->option('address');
        $address = is_string($given) ? $given : Config::string('app.url');
        $this->line('');
        $settings->isOpen() ? $this->open($address) : $this->settingUp($address);
        $this->line('');

        return self::SUCCESS;
    }

    private function settingUp(string $address): void
    {
        $this->line("  Set up your shop at  {$address}/setup?key=".Config::string('house.set_up_key'));
        $this->line('  The key is yours alone until the shop is open; after that it opens nothing.');
    }

    private function open(string $address): void
    {
        $this->line("  Elmstone is at  {$address}");

        if (app()->isProduction()) {
            return;
        }

        $this->line('');
        $this->line('  Staff no.  PIN    Who');

        foreach (
            Staff::query()
                ->where('active', true)
                ->whereIn('number', array_column(DemoShop::STAFF, 0))
                ->orderBy('number')
                ->get() as $staff
        ) {
            $this->line(
                sprintf('  %-9s  4%s   %s, %s', $staff->number, $staff->number, $staff->name, $staff->role->value),
            );
        }
    }
}
