<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\Account;
use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Figures\SoldDays;
use Elmstone\Books\Proof\InParts;
use Elmstone\Books\Proof\Proof;
use Elmstone\Reports\Definitions\HeldRolledForward;
use Elmstone\Reports\Definitions\Sales;
use Elmstone\Reports\Definitions\StockValue;
use Elmstone\Reports\Definitions\Tax;
use Elmstone\Support\Report\Period;

/**
 * Proves that reports that say the same thing say the same, to the cent, year by year: sales by whatever they are
 * grouped, and as the ledger has them; tax by component and on its accounts; stock and money held, and their accounts.
 */
final class ProveReports implements InParts
{
    /** By the ledger: the accounts that what is sold stands on. */
    private const SOLD_BY = [
        'sales', Accounts::FREIGHT, Accounts::FEES, Accounts::SURCHARGES, Accounts::ALLOWANCES,
    ];

    public function __construct(
        private readonly Sales $sales,
        private readonly Tax $tax,
        private readonly StockValue $stock,
        private readonly HeldRolledForward $held,
        private readonly LedgerDays $days,
    ) {
    }

    public function prove(Proof $proof): void
    {
        foreach ($this->parts() as $part) {
            $part($proof);
        }
    }

    /** @return list<Closure(Proof): void> */
    public function parts(): array
    {
        $first = Posted::documents()->min('d.business_date');
        $last = Posted::documents()->max('d.business_date');
        $parts = [];

        if (is_string($first) && is_string($last)) {
            $end = CarbonImmutable::parse($last);

            for ($year = CarbonImmutable::parse($first); $year <= $end; $year = $year->addYearNoOverflow()) {
                $period = Period::between($year, $year->addYearNoOverflow()->subDay()->min($end));
                $parts[] = fn (Proof $proof) => $this->year($proof, $period);
            }
        }

        return $parts;
    }

    private function year(Proof $proof, Period $period): void
    {
        $where = "reports of {$period->words()}";
        $this->salesAgree($proof, $period, $where);
        $this->taxAgrees($proof, $period, $where);
        $stock = $this->sum($this->stock->entries(new Asked($period, 'department')), 'closing');
        $proof->same($where, 'what stock is worth by its movements', $stock, $this->stock->account(
            new Asked($period, 'department'),
        ));

        foreach ($this->held->entries(new Asked($period, 'kind')) as $entry) {
            $proof->same($where, "what is held of {$entry->label}, less its account", $entry->figures['difference'], 0);
        }

        $proof->checked('pairs of reports that say the same', 14);
    }

    private function salesAgree(Proof $proof, Period $period, string $where): void
    {
        $by = fn (string $what): int => $this->sum($this->sales->entries(new Asked($period, $what)), 'net');
        $net = $by('day');

        foreach (['month', 'weekday', 'hour', 'department', 'item', 'customer', 'person', 'location'] as $what) {
            $proof->same($where, "sales by {$what}", $by($what), $net);
        }

        $moved = $this->days->between($period->from, $period->until, null);
        $sold = 0;

        foreach (Account::query()->whereIn('role', self::SOLD_BY)->get() as $account) {
            [$debit, $credit] = $moved[$account->code] ?? [0, 0];
            $sold += $credit - $debit;
        }

        $proof->same($where, 'sales by the ledger', $sold - $this->besides($period) + $this->taxIn($period), $net);
    }

    /** Where tax is in the prices it is in the net of the lines, and on accounts of its own in the ledger. */
    private function taxIn(Period $period): int
    {
        return (int) Posted::taxes()
            ->whereBetween('d.business_date', $period->dates())
            ->whereIn('d.purpose', SoldDays::purposes())
            ->where('d.tax_included', true)
            ->sum('x.amount');
    }

    /** What stands on accounts of sales, fees and tax that is no sale: fees of payments, entries by hand, year ends. */
    private function besides(Period $period, string $role = ''): int
    {
        $accounts = Account::query()
            ->whereIn('role', $role === ''
                ? self::SOLD_BY
                : [$role])
            ->pluck('code');

        return (int) Posted::journal()
            ->whereBetween('d.business_date', $period->dates())
            ->whereNotIn('d.purpose', SoldDays::purposes())
            ->whereIn('j.account', $accounts)
            ->selectRaw('COALESCE(SUM(j.credit), 0) - COALESCE(SUM(j.debit), 0) AS n')
            ->value('n');
    }

    private function taxAgrees(Proof $proof, Period $period, string $where): void
    {
        $reported = $this->sum($this->tax->entries(new Asked($period, 'component')), 'tax');
        $moved = $this->days->between($period->from, $period->until, null);
        $posted = 0;

        foreach (Account::query()->where('role', 'tax_payable')->get() as $account) {
            [$debit, $credit] = $moved[$account->code] ?? [0, 0];
            $posted += $credit - $debit;
        }

        $proof->same($where, 'tax by the ledger', $posted - $this->besides($period, 'tax_payable'), $reported);
        $proof->same(
            $where, 'tax by rate', $this->sum($this->tax->entries(new Asked($period, 'rate')), 'tax'), $reported,
        );
    }

    /** @param  list<Entry>  $entries */
    private function sum(array $entries, string $figure): int
    {
        $sum = 0;

        foreach ($entries as $entry) {
            $value = $entry->figures[$figure] ?? 0;
            $sum += is_int($value) ? $value : 0;
        }

        return $sum;
    }
}
