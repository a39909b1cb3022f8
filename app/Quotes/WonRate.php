<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;

/** How many of the quotes that ended since a day were won, by person; and why the others were lost. */
final readonly class WonRate
{
    /**
     * @param  array<string, array{won: int, lost: int}>  $people by name
     * @param  array<string, int>  $reasons how often each, most often first
     */
    private function __construct(public array $people, public array $reasons)
    {
    }

    public static function since(CarbonImmutable $day): self
    {
        $rows = Quote::query()
            ->toBase()
            ->whereIn('state', [QuoteState::Won, QuoteState::Lost])
            ->where('ended_on', '>=', $day->format('Y-m-d'))
            ->groupBy('staff_id', 'state')
            ->selectRaw('staff_id, state, COUNT(*) AS n')
            ->get();
        $names = Staff::query()->whereIn('id', $rows->pluck('staff_id'))->pluck('name', 'id');
        $people = [];

        foreach ($rows as $row) {
            $name = (string) $names[(int) $row->staff_id];
            $people[$name] ??= ['won' => 0, 'lost' => 0];
            $people[$name][$row->state === QuoteState::Won->value ? 'won' : 'lost'] = (int) $row->n;
        }

        ksort($people);
        $reasons = Quote::query()
            ->toBase()
            ->where('state', QuoteState::Lost)
            ->where('ended_on', '>=', $day->format('Y-m-d'))
            ->groupBy('ended_why')
            ->orderByRaw('COUNT(*) DESC')
            ->limit(12)
            ->selectRaw('ended_why, COUNT(*) AS n')
            ->pluck('n', 'ended_why')
            ->map(static fn (mixed $many): int => is_numeric($many) ? (int) $many : 0)
            ->all();

        return new self($people, $reasons);
    }

    /**
     * In whole percent, half up.
     *
     * @param  array{won: int, lost: int}  $of
     */
    public static function percent(array $of): int
    {
        return BigRational::of($of['won'])
            ->multipliedBy(100)
            ->dividedBy($of['won'] + $of['lost'])
            ->toScale(0, RoundingMode::HALF_UP)
            ->toInt();
    }
}
