<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Receivables\Adjustments\DisputeItem;
use Elmstone\Shop\House;
use Illuminate\Database\Eloquent\Collection;

/**
 * Who to call: accounts with something late, broken promises first, then whom to call again, then the most late. Who
 * promised for a later day waits.
 */
final readonly class Worklist
{
    public function __construct(private AsOf $asOf, private House $house, private DisputeItem $disputes)
    {
    }

    /** @return list<WorklistRow> */
    public function today(CarbonImmutable $day): array
    {
        $report = AgeingReport::of($this->asOf, $this->house, $day);
        // Who has as much unused credit as is late owes nothing to call about.
        $late = $report->accounts(
            $report->where(
                static fn (Ageing $ageing): bool => $ageing->late()
                    ->plus($ageing->in(AgeBand::UnusedCredit))
                    ->isPositive(),
            ),
        );
        $disputed = $this->disputes->late($day);
        // What is disputed is not called about.
        $late = array_values(array_filter(
            $late,
            static fn (AgedAccount $account): bool => ! isset($disputed[$account->customerId])
                || $account->ageing->late()->plus($account->ageing->in(AgeBand::UnusedCredit))
                    ->exceeds($disputed[$account->customerId]),
        ));
        $calls = $this->lastCalls(array_map(static fn (AgedAccount $account): int => $account->customerId, $late));
        $rows = [];

        foreach ($late as $account) {
            $rows[] = new WorklistRow($account, $calls->get($account->customerId), $day);
        }

        usort(
            $rows,
            static fn (WorklistRow $one, WorklistRow $other): int => $one->urgency() <=> $other->urgency()
                ?: $other->account->ageing->late()->compare($one->account->ageing->late()),
        );

        return $rows;
    }

    /**
     * @param  list<int>  $customers
     * @return Collection<int, Call> the last call to each
     */
    private function lastCalls(array $customers): Collection
    {
        $last = Call::query()
            ->toBase()
            ->whereIn('customer_id', $customers)
            ->groupBy('customer_id')
            ->selectRaw('MAX(id)');

        return Call::query()->with('staff')->whereIn('id', $last)->get()->keyBy('customer_id');
    }
}
