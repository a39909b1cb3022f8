<?php

declare(strict_types=1);

namespace Elmstone\Work;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** A worker's turn at a work. */
final class DoWork implements ShouldQueue
{
    use Queueable;

    /** Seconds between one try and the next, where a database or a mail server was away. */
    private const PAUSES = [2, 10, 60];

    public int $tries = 4;

    public function __construct(private readonly int $work)
    {
    }

    public function handle(WorkQueue $queue): void
    {
        $queue->go($this->work);
    }

    /** @return list<int> */
    public function backoff(): array
    {
        return self::PAUSES;
    }

    public function failed(?Throwable $why): void
    {
        app(WorkQueue::class)->broke($this->work, $why);
    }
}
