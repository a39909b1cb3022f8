<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Elmstone\Shop\Shop;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;

/** For the machine's timer, once a day; more often does no harm. */
final class SendRemindersCommand extends Command
{
    protected $signature = 'reminders:send';

    protected $description = 'Mail the reminders of layaways and payment plans that are due, each once';

    public function handle(SendReminders $send): int
    {
        if (! Shop::query()->exists()) {
            $this->info('There is no shop yet.');

            return self::SUCCESS;
        }

        $done = $send->handle(ShopTime::today());
        $this->info("{$done['sent']} sent, {$done['unreachable']} without a mail address");

        return self::SUCCESS;
    }
}
