<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Days;
use Elmstone\Core\Receivables\Standing;
use Elmstone\Receivables\Groups\AccountGroup;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** How an account stands: in one query, and two more where it is among a head office's. */
final readonly class AccountStanding
{
    /**
     * @param  Money  $late past due
     * @param  Money  $notDue owed and not due
     * @param  Money  $credit not used, above zero
     * @param  int  $oldestLate days
     * @param  AccountGroup|null  $group the head office and branches it is among; null: it stands on its own
     */
    private function __construct(
        public HouseAccount $account,
        public Standing $standing,
        public Money $late,
        public Money $notDue,
        public Money $credit,
        public int $oldestLate,
        public ?AccountGroup $group,
    ) {
    }

    public static function of(HouseAccount $account, House $house, ?CarbonImmutable $on = null): self
    {
        $day = ($on ?? ShopTime::today())->startOfDay();
        $row = DB::selectOne(
            <<<'SQL'
            SELECT COALESCE(SUM(IF(kind = 'charge' AND due_date < ?, `open`, 0)), 0) AS late,
                   COALESCE(SUM(IF(kind = 'charge' AND due_date >= ?, `open`, 0)), 0) AS not_due,
                   COALESCE(SUM(IF(kind = 'credit', `open`, 0)), 0) AS credit,
                   MIN(IF(kind = 'charge', due_date, NULL)) AS oldest
            FROM open_items WHERE customer_id = ? AND `open` > 0
            SQL
            ,
            [$day->format('Y-m-d'), $day->format('Y-m-d'), $account->customer_id],
        );
        $oldest = is_string($row?->oldest) ? max(0, Days::between(CarbonImmutable::parse($row->oldest), $day)) : 0;

        $group = AccountGroup::of($account, $house);

        return new self(
            $account,
            new Standing(
                $account->credit_limit,
                $account->balance,
                $account->orders,
                $account->stopped || $group?->head->stopped === true,
                $oldest,
                $account->allowed_overdue_days,
                $account->purchase_order_required,
                $group?->available(),
            ),
            $house->money((int) $row?->late),
            $house->money((int) $row?->not_due),
            $house->money((int) $row?->credit),
            $oldest,
            $group,
        );
    }
}
