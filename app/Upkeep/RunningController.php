<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Elmstone\Paper\Outbox;
use Elmstone\Support\ShopTime;
use Elmstone\Work\WorkQueue;
use Illuminate\Contracts\View\View;

/** The owner's page of how the house runs. */
final class RunningController
{
    /** A backup is made every night; so many seconds later it is late. */
    private const LATE = 26 * 3600;

    /** Of the disk, in percent. */
    private const LEAST_FREE = 10;

    public function __invoke(Running $running): View
    {
        $today = ShopTime::today()->format('Y-m-d');
        $disk = $running->disk();
        $postings = Measured::of(Measured::POSTING, $today)['times'];

        return view('upkeep.running', [
            'backup' => $running->lastBackup(),
            'isLate' => ($running->backupAge() ?? PHP_INT_MAX) > self::LATE,
            'proof' => $running->lastProof(),
            'disk' => $disk,
            'isFull' => $disk['free'] * 100 < $disk['all'] * self::LEAST_FREE,
            'queue' => Outbox::queue(),
            'works' => WorkQueue::waits(),
            'postings' => array_sum($postings),
            'p95' => Measured::p95($postings),
            'broken' => array_sum(Measured::of(Measured::BROKEN, $today)['times']),
            'versions' => $running->versions(),
        ]);
    }
}
