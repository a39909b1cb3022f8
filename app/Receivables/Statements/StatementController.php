<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\OnItsWay;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Statements: one to look at, many in a run, and every old one again. */
final class StatementController
{
    public function __construct(
        private readonly StatementPaper $paper,
        private readonly StatementPdf $pdf,
        private readonly House $house,
    ) {
    }

    public function preview(StatementRequest $request, Customer $customer): View
    {
        return view('accounts.statement', [
            'customer' => $customer,
            'options' => $request->options(),
            'statement' => $this->paper->of($this->account($customer), $request->options()),
            'house' => $this->house,
            'old' => Statement::query()
                ->where('customer_id', $customer->id)
                ->whereNotNull('data')
                ->latest('id')
                ->limit(6)
                ->get(['id', 'run_id', 'customer_id', 'state', 'amount_due', 'made_at']),
        ]);
    }

    public function pdf(StatementRequest $request, Customer $customer): Response
    {
        return $this->file(
            [$this->paper->of($this->account($customer), $request->options())],
            "statement-{$customer->number}.pdf",
        );
    }

    /** Mails it now, to the address on the customer's page. */
    public function mailNow(
        StatementRequest $request,
        Customer $customer,
        RunStatements $run,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $run->mailNow($this->account($customer), $request->options(), $by);

        return redirect()->route('statements.preview', $customer)->with('done', "Mailed to {$customer->mail}.");
    }

    public function index(): View
    {
        $today = ShopTime::today();

        return view('accounts.statements', [
            'runs' => StatementRun::query()->with('staff')->latest('id')->limit(20)->get(),
            'day' => $today->day < 8 ? $today->subMonthNoOverflow()->endOfMonth() : $today,
        ]);
    }

    public function begin(
        StatementRequest $request,
        RunStatements $run,
        StatementWork $work,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $options = $request->options();
        $begun = DB::transaction(static function () use ($run, $work, $options, $request, $by): StatementRun {
            $begun = $run->begin($options, $by, $request->boolean('again'));
            $work->begin($begun->id, $by);

            return $begun;
        });

        return redirect()->route('statements.run', $begun->id);
    }

    public function show(StatementRun $run): View
    {
        return view('accounts.run', $this->data($run));
    }

    /** How far it is; the page asks again until all are made or somebody stops it. */
    public function step(StatementRun $run): Response
    {
        return response()->view('accounts.parts.run-progress', $this->data($run));
    }

    public function mailAgain(
        Statement $statement,
        RunStatements $make,
        StatementWork $work,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        DB::transaction(static function () use ($statement, $make, $work, $by): void {
            $make->mailAgain($statement);
            $work->begin($statement->run_id, $by);
        });

        return redirect()->route('statements.run', $statement->run_id);
    }

    public function countAsMailed(Statement $statement, RunStatements $make): RedirectResponse
    {
        $make->countAsMailed($statement);

        return redirect()->route('statements.run', $statement->run_id);
    }

    public function stop(StatementRun $run): RedirectResponse
    {
        StatementRun::query()
            ->whereKey($run->id)
            ->where('state', 'running')
            ->update(['state' => 'stopped']);

        return redirect()->route('statements.run', $run->id);
    }

    public function goOn(StatementRun $run, StatementWork $work, #[CurrentUser] Staff $by): RedirectResponse
    {
        DB::transaction(static function () use ($run, $work, $by): void {
            StatementRun::query()->whereKey($run->id)->where('state', 'stopped')->update(['state' => 'running']);
            $work->begin($run->id, $by);
        });

        return redirect()->route('statements.run', $run->id);
    }

    /** All of a run that goes on paper, in one file. */
    public function printFile(StatementRun $run): Response
    {
        $data = (static function () use ($run): iterable {
            foreach (
                $run->statements()->where('way', StatementWay::Print)->where('state', 'made')->lazy(200) as $statement
            ) {
                yield $statement->data;
            }
        })();

        return $this->file($data, 'statements-'.$run->as_of->format('Y-m-d').'.pdf');
    }

    public function again(Statement $statement): Response
    {
        return $statement->data === null
            ? throw Refused::because('not_made', 'This statement is not made yet.')
            : $this->file([$statement->data], "statement-{$statement->id}.pdf");
    }

    /** @return array<string, mixed> */
    private function data(StatementRun $run): array
    {
        $counts = Statement::query()
            ->toBase()
            ->where('run_id', $run->id)
            ->groupBy('state', 'way')
            ->selectRaw('state, way, COUNT(*) AS n')
            ->get();
        $of = static fn (string ...$states): int => (int) $counts->whereIn('state', $states)->sum('n');

        return [
            'run' => $run->loadMissing('staff'),
            'options' => StatementOptions::fromArray($run->options),
            'house' => $this->house,
            'left' => $of('wanted') + (int) $counts->where('state', 'made')->where('way', 'mail')->sum('n'),
            'made' => $of('made', 'mailing', 'mailed', 'failed'),
            'failed' => $of('failed'),
            'mailed' => $of('mailed'),
            'unsure' => OnItsWay::unsure(Statement::query()->where('run_id', $run->id))->count(),
            'leftOut' => $of('left out'),
            'printed' => (int) $counts->where('state', 'made')->where('way', 'print')->sum('n'),
            'statements' => $run
                ->statements()
                ->with('customer')
                ->where('state', '<>', 'wanted')
                ->reorder()
                ->orderByRaw("FIELD(state, 'mailing', 'failed') DESC")
                ->latest('id')
                ->limit(60)
                ->get(['id', 'run_id', 'customer_id', 'state', 'way', 'amount_due', 'trouble', 'mailing_at']),
        ];
    }

    private function account(Customer $customer): HouseAccount
    {
        $account = HouseAccount::query()->where('customer_id', $customer->id)->first()
            ?? throw Refused::because('not_an_account', 'This customer has no house account.');

        return $account->setRelation('customer', $customer);
    }

    /** @param  iterable<mixed>  $statements */
    private function file(iterable $statements, string $name): Response
    {
        return response($this->pdf->of($statements), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$name}\"",
        ]);
    }
}
