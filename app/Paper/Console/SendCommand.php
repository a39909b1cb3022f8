<?php

declare(strict_types=1);

namespace Elmstone\Paper\Console;

use Elmstone\Paper\Outbox;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;

/** Sends what waits after postings: once, or for as long as it runs. */
final class SendCommand extends Command
{
    private const PAUSE = 5;

    protected $signature = 'outbox:send {--forever : go on until it is stopped}';

    protected $description = 'Prints and mails what could not go when it was posted';

    public function handle(Outbox $outbox): int
    {
        $tidied = '';

        do {
            $sent = $outbox->sendDue();
            $tidied = $this->tidy($tidied);
            $this->option('forever') === true
                ? sleep($sent > 0 ? 1 : self::PAUSE)
                : $this->info($sent === 1 ? 'one went' : "{$sent} went");
        } while ($this->option('forever') === true);

        return self::SUCCESS;
    }

    /** Whoever goes on for ever also clears away, once a day. */
    private function tidy(string $tidied): string
    {
        $today = ShopTime::today()->format('Y-m-d');
        $this->option('forever') !== true || $today === $tidied || $this->callSilently('house:tidy');

        return $today;
    }
}
