<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Tables;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Staff;
use Elmstone\Work\Work;
use Elmstone\Work\WorkQueue;
use Illuminate\Support\Facades\DB;

/**
 * One file of a table is brought in at a time: two workers that looked at the same new rows at once would both find
 * them new.
 */
final readonly class OneAtATime
{
    /** Hours after which no worker is at it any more, whatever is written of it. */
    private const HOURS = 2;

    public function __construct(private WorkQueue $works)
    {
    }

    /**
     * Hands it to the workers. Where this very file is on its way already, as after a second click, it is that.
     *
     * @throws Refused another_file
     */
    public function bringIn(string $table, string $csv, Staff $by): Work
    {
        $work = DB::transaction(function () use ($table, $csv, $by): Work {
            // Whoever else begins one at this moment waits here.
            Shop::query()->lockForUpdate()->first();
            $underWay = $this->underWay($table);

            return match ($underWay?->data['csv'] ?? null) {
                null => $this->works->begin(TableWork::BRING_IN, $by, ['table' => $table, 'csv' => $csv]),
                $csv => $underWay,
                default => throw Refused::because(
                    'another_file',
                    'Another file is being brought in here. Wait until it is done, then look at this one again.',
                ),
            };
        });

        return $work->refresh();
    }

    private function underWay(string $table): ?Work
    {
        return Work::query()
            ->where('what', TableWork::BRING_IN)
            ->whereIn('state', ['waiting', 'running'])
            ->where('data->table', $table)
            ->where('made_at', '>', CarbonImmutable::now()->subHours(self::HOURS)->format('Y-m-d H:i:s.v'))
            ->first();
    }
}
