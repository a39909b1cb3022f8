<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Carbon\CarbonImmutable;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\OneReport;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\Approval;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Builder;

/** What was allowed, by whom, for whom, and why. */
final class ApprovalsGiven extends OneReport
{
    private const MOST = 2000;

    protected const KEY = 'approvals';

    protected const TITLE = 'Approvals';

    protected const QUESTION = 'What was allowed that nobody may do alone, by whom and why?';

    protected const GROUP = 'What needs eyes';

    protected const ABILITY = Ability::SeeMargin;

    protected const BY = [
        'kind' => 'what was allowed', 'approver' => 'who allowed it', 'asker' => 'who asked', 'one' => 'one by one',
    ];

    protected const FILTERS = [Filter::Person];

    public function figures(Asked $asked): array
    {
        return $asked->by === 'one'
            ? [
                Figure::count('n', 'Approvals'), Figure::text('when', 'When'), Figure::text('asker', 'Asked by'),
                Figure::text('approver', 'Allowed by'), Figure::text('detail', 'What'),
                Figure::text('reason', 'Because'),
            ]
            : [Figure::count('n', 'Approvals')];
    }

    public function entries(Asked $asked): array
    {
        if ($asked->by === 'one') {
            return $this->oneByOne($asked);
        }

        $column = ['kind' => 'what', 'approver' => 'approved_by', 'asker' => 'asked_by'][$asked->by] ?? 'what';
        $people = Staff::query()->pluck('name', 'id');
        $entries = [];

        foreach (
            $this->given($asked)->toBase()->groupBy($column)->orderByRaw('COUNT(*) DESC')
                ->selectRaw("{$column} AS place, COUNT(*) AS n")->get() as $row
        ) {
            $entries[] = new Entry(
                (string) $row->place,
                $column === 'what' ? self::words((string) $row->place) : (string) ($people[$row->place] ?? ''),
                ['n' => (int) $row->n],
                route('reports.show', [
                    'report' => $this->key(), 'by' => 'one', ...$asked->period->query(),
                    ...$column === 'what' ? [] : ['person' => (int) $row->place],
                ]),
            );
        }

        return $entries;
    }

    /** @return list<Entry> */
    private function oneByOne(Asked $asked): array
    {
        $people = Staff::query()->pluck('name', 'id');
        $entries = [];

        foreach ($this->given($asked)->orderBy('id')->limit(self::MOST)->get() as $one) {
            $entries[] = new Entry((string) $one->id, self::words((string) $one->getAttribute('what')), [
                'n' => 1,
                'when' => Show::moment(CarbonImmutable::parse((string) $one->getRawOriginal('approved_at'), 'UTC')),
                'asker' => (string) ($people[$one->asked_by] ?? ''),
                'approver' => (string) ($people[$one->approved_by] ?? ''),
                'detail' => $one->detail,
                'reason' => $one->reason,
            ]);
        }

        return $entries;
    }

    private static function words(string $kind): string
    {
        return ucfirst(ApprovalKind::tryFrom($kind)?->words() ?? str_replace('_', ' ', $kind));
    }

    /** @return Builder<Approval> */
    private function given(Asked $asked): Builder
    {
        return Approval::query()
            ->where('approved_at', '>=', ShopTime::beginning($asked->period->from)->format('Y-m-d H:i:s'))
            ->where('approved_at', '<', ShopTime::beginning($asked->period->until->addDay())->format('Y-m-d H:i:s'))
            ->when($asked->person !== null, static fn (Builder $all) => $all->where(
                static fn (Builder $either) => $either->where('approved_by', $asked->person)
                    ->orWhere('asked_by', $asked->person),
            ));
    }
}
