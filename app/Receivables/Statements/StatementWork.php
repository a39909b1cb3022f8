<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Elmstone\Staff\Staff;
use Elmstone\Work\DoesWork;
use Elmstone\Work\Progress;
use Elmstone\Work\Work;
use Elmstone\Work\WorkQueue;

/** Makes and mails the statements of a run, a few at a time, until all are or somebody stops it. */
final readonly class StatementWork implements DoesWork
{
    private const WHAT = 'make statements';

    private const AT_ONCE = 10;

    public function __construct(private RunStatements $run)
    {
    }

    public function begin(int $run, Staff $by): void
    {
        app(WorkQueue::class)->begin(self::WHAT, $by, ['run' => $run]);
    }

    public function does(): array
    {
        return [self::WHAT];
    }

    public function takesLong(): bool
    {
        return false;
    }

    public function piece(Work $work, Progress $progress): bool
    {
        $run = StatementRun::query()->where('id', $work->data['run'] ?? 0)->firstOrFail();
        $left = $this->run->step($run, self::AT_ONCE);
        $progress->at($run->wanted - $left, $run->wanted);

        return $left > 0 && $run->refresh()->state === 'running';
    }
}
