<?php

declare(strict_types=1);

namespace Elmstone\Paper\Console;

use Elmstone\Paper\Bounce;
use Elmstone\Support\KeepsMail;
use Illuminate\Console\Command;

/**
 * Takes in the answer of a mail server that a mail did not arrive, from standard input: whoever has the shop’s
 * mailbox pipes what comes to the sender’s address into it.
 */
final class BounceCommand extends Command
{
    protected $signature = 'mail:bounced';

    protected $description = 'Note that a mail did not arrive, from the mail server’s answer on standard input';

    public function handle(KeepsMail $kept): int
    {
        $noted = 0;

        foreach (Bounce::read((string) stream_get_contents(STDIN)) as $bounce) {
            $kept->bounced($bounce->recipient, $bounce->why) && $noted++;
            $this->line("{$bounce->recipient}: {$bounce->why}");
        }

        $this->line("{$noted} noted");

        return self::SUCCESS;
    }
}
