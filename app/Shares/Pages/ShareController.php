<?php

declare(strict_types=1);

namespace Elmstone\Shares\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shares\CommissionStatement;
use Elmstone\Shares\EarnedCommission;
use Elmstone\Shares\PayCommission;
use Elmstone\Shares\PersonSales;
use Elmstone\Shares\StatementLine;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\PeriodRequest;
use Elmstone\Support\Http\TypedWay;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Period;
use Elmstone\Support\Report\Report;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What everybody sold, and the statement of one of them: their own, or by who may see those of others. */
final class ShareController
{
    public function __construct(private readonly EarnedCommission $commission, private readonly House $house)
    {
    }

    public function index(PeriodRequest $request, #[CurrentUser] Staff $by): View|RedirectResponse
    {
        $period = $request->period();

        return $by->mayDo(Ability::ManageShares)
            ? view('shares.index', [
                'period' => $period,
                'rows' => PersonSales::of($period, $this->commission, $this->house),
                'none' => $this->house->money(0),
            ])
            : redirect()->route('shares.show', ['staff' => $by, ...$period->query()]);
    }

    public function show(PeriodRequest $request, Staff $staff, #[CurrentUser] Staff $by): View
    {
        $statement = $this->statement($staff, $request->period(), $by);

        return view('shares.statement', [
            'statement' => $statement,
            'report' => $this->report($statement),
            'owed' => CommissionStatement::owedUntil($staff->id, $statement->period->until, $this->commission,
                $this->house),
            'pays' => $by->mayDo(Ability::ManageShares) && ! $staff->is($by),
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function csv(PeriodRequest $request, Staff $staff, #[CurrentUser] Staff $by): StreamedResponse
    {
        return $this->report($this->statement($staff, $request->period(), $by))->csv();
    }

    public function pay(
        PayRequest $request,
        Staff $staff,
        PayCommission $pay,
        CheckApproval $check,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $request->saidAtItsField(fn (): int => $pay->handle(
            $staff,
            $request->until(),
            $request->amount($this->house),
            TypedWay::of($request, 'way', TenderKind::HouseAccount),
            $request->string('key')->value(),
            $atTill->till(),
            $by,
            $check->given($request),
        ));

        return redirect()
            ->route('shares.show', ['staff' => $staff, 'from' => $request->string('from')->value(),
                'until' => $request->until()->format('Y-m-d')])
            ->with('done', 'Paid out as '.Document::query()->findOrFail($document)->label.'.');
    }

    /** One's own, or by who may see those of others. */
    private function statement(Staff $staff, Period $period, Staff $by): CommissionStatement
    {
        abort_unless($staff->is($by) || $by->mayDo(Ability::ManageShares), 403);

        return CommissionStatement::of($staff, $period, $this->commission, $this->house);
    }

    /** @return Report<StatementLine> */
    private function report(CommissionStatement $statement): Report
    {
        $person = $statement->person;

        return Report::of("Sold by {$person->name}", $statement->lines, [
            Column::day('Day', 'day', static fn (StatementLine $line): CarbonImmutable => $line->day),
            Column::code(
                'Document', 'document', static fn (StatementLine $line): string => $line->label,
                static fn (StatementLine $line): string => route('documents.show', $line->label),
            ),
            Column::text('Customer', 'customer', static fn (StatementLine $line): string => $line->customer),
            Column::text('Line', 'line', static fn (StatementLine $line): string => $line->description),
            Column::text('', 'percent', static fn (StatementLine $line): string => self::percent($line->percent)),
            Column::money('Net', 'net', static fn (StatementLine $line): Money => $line->net)
                ->totalling($statement->net())->blankAtZero(),
            Column::text(
                'Rate', 'rate',
                static fn (StatementLine $line): string => self::percent($line->rate)." of {$line->rateOf}",
            )->nowrap(),
            Column::text('', 'why', static fn (StatementLine $line): string => $line->why)->small(),
            Column::money('Commission', 'commission', static fn (StatementLine $line): Money => $line->earned)
                ->totalling($statement->earned),
        ])
            ->about($statement->period->words())
            ->counting(count($statement->lines), 'line', 'lines')
            ->orElse('Nothing was sold, earned or taken back in this period.')
            ->savedAs(
                "commission-{$person->number}", 'shares.csv', ['staff' => $person, ...$statement->period->query()],
            );
    }

    private static function percent(string $stored): string
    {
        return rtrim(rtrim($stored, '0'), '.').' %';
    }
}
