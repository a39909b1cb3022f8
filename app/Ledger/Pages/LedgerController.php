<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\AccountKind;
use Elmstone\Books\Document;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Core\Money\Money;
use Elmstone\Ledger\AccountBalance;
use Elmstone\Ledger\AccountSheet;
use Elmstone\Ledger\SheetRow;
use Elmstone\Ledger\TrialBalance;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Illuminate\Contracts\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The trial balance, the sheet of an account, the journal day by day. */
final class LedgerController
{
    public function __construct(
        private readonly LedgerDays $days,
        private readonly AccountSheet $sheet,
        private readonly House $house,
    ) {
    }

    public function index(LedgerRequest $request): View
    {
        return view('ledger.trial-balance', [
            'balance' => $this->balance($request),
            'kinds' => AccountKind::cases(),
            'period' => $request->period(),
            'request' => $request,
            'locations' => Location::query()->orderBy('id')->get(),
            'house' => $this->house,
        ]);
    }

    public function csv(LedgerRequest $request): StreamedResponse
    {
        $figure = static fn (string $csv, callable $of): Column => Column::inFile(
            $csv, static fn (AccountBalance $one): Money => $of($one),
        );

        return Report::of('Trial balance', $this->balance($request)->accounts, [
            Column::inFile('number', static fn (AccountBalance $one): string => $one->account->number),
            Column::inFile('account', static fn (AccountBalance $one): string => $one->account->name),
            Column::inFile('kind', static fn (AccountBalance $one): string => $one->account->kind->value),
            $figure('opening', static fn (AccountBalance $one): Money => $one->opening),
            $figure('debit', static fn (AccountBalance $one): Money => $one->debit),
            $figure('credit', static fn (AccountBalance $one): Money => $one->credit),
            $figure('closing', static fn (AccountBalance $one): Money => $one->closing()),
        ])->savedAs('trial-balance', 'ledger.csv')->csv();
    }

    private function balance(LedgerRequest $request): TrialBalance
    {
        $period = $request->period();

        return TrialBalance::of(
            $period->from, $period->until, $request->location(), $request->withYearEnd(), $this->days, $this->house,
        );
    }

    public function account(LedgerRequest $request, Account $account): View
    {
        [$period, $location, $page] = [$request->period(), $request->location(), max(1, $request->integer('page', 1))];
        $count = $this->sheet->count($account, $period, $location);
        $report = $this->report(
            $account, $request, iterator_to_array($this->sheet->rows($account, $period, $location, $page), false),
        );

        return view('ledger.account', [
            'account' => $account,
            'report' => $report,
            'opening' => $this->sheet->opening($account, $period, $location),
            'count' => $count,
            'page' => $page,
            'pages' => (int) ceil($count / AccountSheet::ON_PAGE),
            'period' => $period,
            'request' => $request,
            'locations' => Location::query()->orderBy('id')->get(),
        ]);
    }

    public function accountCsv(LedgerRequest $request, Account $account): StreamedResponse
    {
        return $this->report(
            $account, $request, $this->sheet->rows($account, $request->period(), $request->location()),
        )->csv();
    }

    /**
     * @param  iterable<SheetRow>  $rows
     * @return Report<SheetRow>
     */
    private function report(Account $account, LedgerRequest $request, iterable $rows): Report
    {
        return Report::of("{$account->number} {$account->name}", $rows, [
            Column::day('Day', 'day', static fn (SheetRow $row): CarbonImmutable => $row->day),
            Column::code(
                'Document', 'document', static fn (SheetRow $row): string => $row->label,
                static fn (SheetRow $row): string => route('documents.show', $row->label),
            ),
            Column::text('What', 'what', static fn (SheetRow $row): string => ucfirst(
                str_replace('_', ' ', $row->purpose->value),
            ))->nowrap(),
            Column::text('', 'about', static fn (SheetRow $row): string => $row->about)->small(),
            Column::money('Debit', 'debit', static fn (SheetRow $row): Money => $row->debit)->blankAtZero(),
            Column::money('Credit', 'credit', static fn (SheetRow $row): Money => $row->credit)->blankAtZero(),
            Column::money('Balance', 'balance', static fn (SheetRow $row): Money => $row->balance),
        ])
            ->orElse('Nothing moved on it in this time.')
            ->savedAs("account-{$account->number}", 'ledger.account.csv', [
                'account' => $account, ...$request->period()->query(), ...$request->kept(),
            ]);
    }

    /** Every document of a day with its journal. */
    public function journal(JournalRequest $request): View
    {
        $day = $request->day();

        return view('ledger.journal', [
            'day' => $day,
            'documents' => Document::query()
                ->with(['journal.named'])
                ->where('business_date', $day->format('Y-m-d'))
                ->when($request->location() !== null, static fn ($all) => $all
                    ->where('location_id', $request->location()))
                ->orderBy('id')
                ->simplePaginate(100)
                ->withQueryString(),
            'request' => $request,
            'locations' => Location::query()->orderBy('id')->get(),
            'house' => $this->house,
        ]);
    }
}
