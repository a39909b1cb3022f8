<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Purpose;
use Elmstone\Shop\Shop;
use Illuminate\Support\Facades\DB;

/**
 * Proves that a year that is closed left nothing on its accounts of profit, that each of its documents is on record,
 * and that the shop keeps the last one that is closed.
 */
final class ProveYears implements Check
{
    public function __construct(private readonly LedgerDays $days)
    {
    }

    public function prove(Proof $proof): void
    {
        $last = DB::table('years')->whereNull('reopened_by_id')->max('ends_on');
        $kept = Shop::query()->firstOrFail()->years_closed_through?->format('Y-m-d');
        $proof->same('years', 'the last one that is closed', $kept, is_string($last) ? $last : null);
        $proof->same(
            'years',
            'the documents that close or open one',
            DB::table('years')->count() + DB::table('years')->whereNotNull('reopened_by_id')->count(),
            Posted::documents()->whereIn('d.purpose', array_column(Purpose::ofTheYear(), 'value'))->count(),
        );
        is_string($last) && $this->leftNothing($proof, CarbonImmutable::parse($last));
    }

    private function leftNothing(Proof $proof, CarbonImmutable $end): void
    {
        $moved = $this->days->between(null, $end, null);

        foreach (Account::query()->get() as $account) {
            [$debit, $credit] = $moved[$account->code] ?? [0, 0];
            $account->kind->isOfProfit() && $proof->same(
                $account->name, "what is left on it at the end of the year on {$end->format('j M Y')}",
                $debit - $credit, 0,
            );
        }

        $proof->checked('years that are closed');
    }
}
