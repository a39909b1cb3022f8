<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Report\Period;
use Illuminate\Support\Facades\DB;

/** What each person sold in a period, came back of it taken off, and what of their commission is owed. */
final readonly class PersonSales
{
    private function __construct(
        public Staff $person,
        public Money $net,
        public Money $commission,
        public Money $paid,
        public Money $owed,
    ) {
    }

    /** @return list<self> those who sold something, or are owed something, by number */
    public static function of(Period $period, EarnedCommission $commission, House $house): array
    {
        $sums = DB::table('document_shares')
            ->whereBetween('business_date', $period->dates())
            ->groupBy('staff_id')
            ->selectRaw('staff_id, SUM(net) AS net')
            ->pluck('net', 'staff_id');
        $paid = DB::table('commission_payments')
            ->whereBetween('business_date', $period->dates())
            ->groupBy('staff_id')
            ->selectRaw('staff_id, SUM(amount) AS amount')
            ->pluck('amount', 'staff_id');
        $rows = [];

        foreach (Staff::query()->orderBy('number')->get() as $person) {
            $until = $commission->until($person->id, $period->until);
            $row = new self(
                $person,
                $house->money((int) ($sums[$person->id] ?? 0)),
                $until->minus($commission->until($person->id, $period->from->subDay())),
                $house->money((int) ($paid[$person->id] ?? 0)),
                $until->minus(CommissionStatement::paidUntil($person->id, $period->until, $house)),
            );
            isset($sums[$person->id]) || ! $row->owed->isZero() || ! $row->paid->isZero() ? $rows[] = $row : null;
        }

        return $rows;
    }
}
