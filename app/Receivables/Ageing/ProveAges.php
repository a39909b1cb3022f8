<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/** Proves that the sums kept of how late each account is are what its open items come to on the day they are of. */
final readonly class ProveAges implements Check
{
    public function __construct(private AsOf $asOf, private House $house)
    {
    }

    public function prove(Proof $proof): void
    {
        $days = DB::table('aged_accounts')
            ->whereColumn('summed', 'moves')
            ->whereNotNull('as_of')
            ->distinct()
            ->pluck('as_of');

        foreach ($days as $day) {
            $this->day($proof, CarbonImmutable::parse((string) $day));
        }
    }

    private function day(Proof $proof, CarbonImmutable $day): void
    {
        $summed = iterator_to_array($this->asOf->all($day));
        $rows = DB::table('aged_accounts')
            ->whereColumn('summed', 'moves')
            ->where('as_of', $day->format('Y-m-d'))
            ->get();

        foreach ($rows as $row) {
            $is = AgesNow::read($row, $this->house);
            $columns = ($summed[(int) $row->customer_id] ?? null)->columns ?? [];

            foreach ($is->columns as $name => $amount) {
                $proof->same(
                    "account of customer {$row->customer_id}, {$name} as of {$day->format('Y-m-d')}",
                    'what is kept of its age',
                    $amount,
                    $columns[$name] ?? Money::zero($this->house->currency()),
                );
            }
        }

        $proof->checked('accounts whose kept ages are the sums of their items', $rows->count());
    }
}
