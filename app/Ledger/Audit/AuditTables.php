<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Audit;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\Account;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Figures\Posted;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;
use Elmstone\Support\Database\Snapshot;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Period;
use Elmstone\Support\Report\Report;
use stdClass;

/** The same period as tables: chart with balances, journal, documents, customers, tax. */
final class AuditTables
{
    /** By table: what it is, and what each of its columns is. */
    public const DESCRIPTION = [
        'accounts' => ['The chart of accounts, with what stood on each before the period, moved and stands after', [
            'number' => 'of the account, as the shop set it',
            'account' => 'its name',
            'kind' => 'asset, liability, equity, income, expense',
            'opening' => 'debits less credits before the period',
            'debit' => 'debits of the period',
            'credit' => 'credits of the period',
            'closing' => 'opening + debit − credit',
        ]],
        'journal' => ['Every row of every journal of the period', [
            'day' => 'business date',
            'document' => 'number of the document',
            'purpose' => 'what it is for',
            'number' => 'of the account',
            'account' => 'its name',
            'debit' => 'amount, or 0.00',
            'credit' => 'amount, or 0.00',
        ]],
        'documents' => ['Every document of the period', [
            'day' => 'business date',
            'document' => 'its number',
            'kind' => 'invoice, credit_note, receipt, refund, adjustment …',
            'purpose' => 'what it is for',
            'posted at' => 'UTC',
            'customer' => 'name as it stood then; empty: a passer-by',
            'net' => 'before tax',
            'tax' => 'all components',
            'total' => 'with tax',
            'refers to' => 'the document it takes back or follows',
        ]],
        'customers' => ['All customers', ['number' => 'of the customer', 'name' => 'as it is now']],
        'tax' => ['Tax of every document of the period, by component', [
            'day' => 'business date',
            'document' => 'its number',
            'component' => 'code of the tax',
            'name' => 'as it stands on the paper',
            'rate' => 'percent',
            'base' => 'what it was reckoned on; below zero: it came back',
            'amount' => 'tax',
        ]],
    ];

    public function __construct(private readonly LedgerDays $days, private readonly House $house)
    {
    }

    /** @return Report<mixed> */
    public function of(string $table, Period $period): Report
    {
        $report = match ($table) {
            'accounts' => $this->accounts($period),
            'journal' => $this->journal($period),
            'documents' => $this->documents($period),
            'customers' => $this->customers(),
            default => $this->tax($period),
        };
        [$from, $until] = $period->dates();

        return $report->savedAs("{$table}-{$from}-{$until}", 'auditor.table');
    }

    /** @return Report<mixed> */
    private function accounts(Period $period): Report
    {
        [$before, $moved] = Snapshot::of(fn (): array => [
            $this->days->between(null, $period->from->subDay(), null),
            $this->days->between($period->from, $period->until, null),
        ]);
        $money = fn (string $head, Closure $minor): Column => Column::inFile(
            $head, fn (Account $one): Money => $this->house->money($minor($one)),
        );
        $opening = static fn (Account $one): int => ($before[$one->code][0] ?? 0) - ($before[$one->code][1] ?? 0);

        return Report::of('accounts', Account::query()->orderBy('number')->get(), [
            Column::inFile('number', static fn (Account $one): string => $one->number),
            Column::inFile('account', static fn (Account $one): string => $one->name),
            Column::inFile('kind', static fn (Account $one): string => $one->kind->value),
            $money('opening', $opening),
            $money('debit', static fn (Account $one): int => $moved[$one->code][0] ?? 0),
            $money('credit', static fn (Account $one): int => $moved[$one->code][1] ?? 0),
            $money('closing', static fn (Account $one): int => $opening($one)
                + ($moved[$one->code][0] ?? 0) - ($moved[$one->code][1] ?? 0)),
        ]);
    }

    /** @return Report<mixed> */
    private function journal(Period $period): Report
    {
        $chart = Account::query()->get()->keyBy('code');

        return Report::of('journal', Posted::journal()
            ->whereBetween('d.business_date', $period->dates())
            ->orderBy('d.business_date')
            ->orderBy('d.id')
            ->orderBy('j.position')
            ->select(['d.business_date', 'd.label', 'd.purpose', 'j.account', 'j.debit', 'j.credit'])
            ->cursor(), [
                $this->day('day'),
                $this->text('document', 'label'),
                $this->text('purpose', 'purpose'),
                Column::inFile('number', static fn (stdClass $row): string => $chart[$row->account]->number ?? ''),
                Column::inFile('account', static fn (stdClass $row): string => $chart[$row->account]->name ?? ''),
                $this->money('debit', 'debit'),
                $this->money('credit', 'credit'),
            ]);
    }

    /** @return Report<mixed> */
    private function documents(Period $period): Report
    {
        return Report::of('documents', Posted::documents()
            ->whereBetween('d.business_date', $period->dates())
            ->orderBy('d.business_date')
            ->orderBy('d.id')
            ->select([
                'd.business_date', 'd.label', 'd.kind', 'd.purpose', 'd.posted_at', 'd.customer_name', 'd.net',
                'd.tax_total', 'd.total',
            ])
            ->selectSub(Posted::labelOf('d.refers_to_id'), 'refers_to')
            ->cursor(), [
                $this->day('day'),
                $this->text('document', 'label'),
                $this->text('kind', 'kind'),
                $this->text('purpose', 'purpose'),
                $this->text('posted at', 'posted_at'),
                $this->text('customer', 'customer_name'),
                $this->money('net', 'net'),
                $this->money('tax', 'tax_total'),
                $this->money('total', 'total'),
                $this->text('refers to', 'refers_to'),
            ]);
    }

    /** @return Report<mixed> */
    private function customers(): Report
    {
        return Report::of('customers', Customer::query()->orderBy('id')->lazyById(1000), [
            Column::inFile('number', static fn (Customer $one): int => $one->number),
            Column::inFile('name', static fn (Customer $one): string => $one->name),
        ]);
    }

    /** @return Report<mixed> */
    private function tax(Period $period): Report
    {
        return Report::of('tax', Posted::taxes()
            ->whereBetween('d.business_date', $period->dates())
            ->orderBy('d.business_date')
            ->orderBy('d.id')
            ->orderBy('x.position')
            ->select(['d.business_date', 'd.label', 'x.component', 'x.name', 'x.rate', 'x.base', 'x.amount'])
            ->cursor(), [
                $this->day('day'),
                $this->text('document', 'label'),
                $this->text('component', 'component'),
                $this->text('name', 'name'),
                $this->text('rate', 'rate'),
                $this->money('base', 'base'),
                $this->money('amount', 'amount'),
            ]);
    }

    /** @return Column<stdClass> */
    private function day(string $head): Column
    {
        return Column::inFile(
            $head, static fn (stdClass $row): CarbonImmutable => CarbonImmutable::parse((string) $row->business_date),
        );
    }

    /** @return Column<stdClass> */
    private function text(string $head, string $column): Column
    {
        return Column::inFile($head, static fn (stdClass $row): string => (string) $row->{$column});
    }

    /** @return Column<stdClass> */
    private function money(string $head, string $column): Column
    {
        return Column::inFile($head, fn (stdClass $row): Money => $this->house->money((int) $row->{$column}));
    }
}
