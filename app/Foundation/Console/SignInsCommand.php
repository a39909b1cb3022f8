<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Console;

use Elmstone\Demo\DemoShop;
use Elmstone\Staff\Staff;
use Illuminate\Console\Command;

/** Prints the address and who can sign in at the demonstration shop. */
final class SignInsCommand extends Command
{
    protected $signature = 'shop:sign-ins {--address= : where the application is served}';

    protected $description = 'Print the address and the demonstration sign-ins';

    public function handle(): int
    {
        $address = $this->option('address');
        $this->line('');
        $this->line('  Elmstone is at  '.(is_string($address) ? $address : config('app.url')));
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

        $this->line('');

        return self::SUCCESS;
    }
}
