<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Period;
use Generator;
use Illuminate\Database\Query\Builder;

/** What moved on an account, document by document, with the balance as it goes. A page of it at a time. */
final class AccountSheet
{
    public const ON_PAGE = 200;

    public function __construct(private readonly LedgerDays $days, private readonly House $house)
    {
    }

    /** Where it stood before the first day. */
    public function opening(Account $account, Period $period, ?int $location): Money
    {
        [$debit, $credit] = $this->days->between(null, $period->from->subDay(), $location)[$account->code] ?? [0, 0];

        return $this->house->money($debit - $credit);
    }

    /**
     * @param  int|null  $page from 1; null: all
     * @return Generator<int, SheetRow> in the order of days
     */
    public function rows(Account $account, Period $period, ?int $location, ?int $page = null): Generator
    {
        $before = $page === null ? 0 : ($page - 1) * self::ON_PAGE;
        $balance = $this->opening($account, $period, $location);
        $balance = $before === 0 ? $balance : $balance->plus($this->moved($account, $period, $location, $before));
        $rows = $this->moves($account, $period, $location);
        $page === null || $rows->offset($before)->limit(self::ON_PAGE);

        foreach ($rows->cursor() as $row) {
            $debit = $this->house->money((int) $row->debit);
            $credit = $this->house->money((int) $row->credit);
            $balance = $balance->plus($debit)->minus($credit);

            yield new SheetRow(
                CarbonImmutable::parse((string) $row->business_date),
                (string) $row->label,
                Purpose::from((string) $row->purpose),
                trim("{$row->customer_name} {$row->note}"),
                $debit,
                $credit,
                $balance,
            );
        }
    }

    public function count(Account $account, Period $period, ?int $location): int
    {
        return $this->moves($account, $period, $location)->reorder()->count();
    }

    /** What so many of the first rows did. */
    private function moved(Account $account, Period $period, ?int $location, int $rows): Money
    {
        $sum = Posted::summed($this->moves($account, $period, $location)->limit($rows), 'debit - credit');

        return $this->house->money($sum);
    }

    private function moves(Account $account, Period $period, ?int $location): Builder
    {
        return Posted::journal()
            ->where('j.account', $account->code)
            ->whereBetween('d.business_date', $period->dates())
            ->when($location !== null, static fn (Builder $all) => $all->where('d.location_id', $location))
            ->orderBy('d.business_date')
            ->orderBy('d.id')
            ->select(['d.business_date', 'd.label', 'd.purpose', 'd.customer_name', 'd.note', 'j.debit', 'j.credit']);
    }
}
