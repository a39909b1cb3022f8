<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * A worker's first try at something that goes out. That it must go stands in the outbox, which says whether it went and
 * when it is tried again (outbox:send): whatever becomes of this, nothing is lost and nothing goes twice.
 */
final class SendOutgoing implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public function __construct(private readonly int $outgoing)
    {
    }

    public function handle(Outbox $outbox): void
    {
        $outbox->send($this->outgoing);
    }
}
