<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Support\Due\Due;
use Elmstone\Support\Due\HasDue;

/** Accounts to call today: broken promises, who asked to be called again, who was not called yet. */
final readonly class DueCalls implements HasDue
{
    public function __construct(private Worklist $worklist)
    {
    }

    public function due(CarbonImmutable $day, int $most): iterable
    {
        $rows = array_filter(
            $this->worklist->today($day),
            static fn (WorklistRow $row): bool => ! $row->waits(),
        );

        foreach (array_slice($rows, 0, $most) as $row) {
            yield new Due(
                "account {$row->account->number}",
                route('accounts.show', $row->account->number),
                $row->account->name,
                $row->account->phone,
                $row->since(),
                $row->account->ageing->late(),
                $row->why(),
                $row->account->phone === '' ? 'Write about what is late' : "Call {$row->account->phone}",
                $row->since()?->lessThan($day) === true,
            );
        }
    }
}
