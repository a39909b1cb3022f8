<?php

declare(strict_types=1);

namespace Elmstone\Reports\Pages;

use Elmstone\Catalogue\Department;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Reports\AllReports;
use Elmstone\Reports\Answer;
use Elmstone\Reports\AsTable;
use Elmstone\Reports\Bars;
use Elmstone\Reports\Definition;
use Elmstone\Reports\Filter;
use Elmstone\Reports\KeptReport;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The reports: their list, one of them as it is asked for, as a file; kept as somebody likes it, and mailed. */
final class ReportController
{
    public function __construct(private readonly House $house)
    {
    }

    public function index(#[CurrentUser] Staff $by): View
    {
        return view('reports.index', [
            'groups' => collect(AllReports::of($by))->groupBy(static fn (Definition $one): string => $one->group()),
            'kept' => KeptReport::query()->where('staff_id', $by->id)->orderBy('name')->get(),
        ]);
    }

    public function show(ReportRequest $request, string $report, #[CurrentUser] Staff $by): View
    {
        $answer = $this->answer($request, $report, $by);

        return view('reports.show', [
            'answer' => $answer,
            'bars' => Bars::svg($answer),
            'table' => AsTable::of($answer, $request->kept()),
            'request' => $request,
            'filters' => $answer->definition->filters(),
            'all' => Filter::cases(),
            'locations' => Location::query()->orderBy('id')->get(),
            'tills' => Till::query()->orderBy('number')->get(),
            'departments' => Department::query()->orderBy('name')->get(),
            'people' => Staff::query()->orderBy('number')->get(),
            'ways' => TenderKind::cases(),
            'by' => $by,
        ]);
    }

    public function csv(ReportRequest $request, string $report, #[CurrentUser] Staff $by): StreamedResponse
    {
        return AsTable::of($this->answer($request, $report, $by), $request->kept())->csv();
    }

    private function answer(ReportRequest $request, string $report, Staff $by): Answer
    {
        $definition = $this->definition($report, $by);

        return Answer::to($definition, $request->asked($definition), $by, $this->house);
    }

    private function definition(string $report, Staff $by): Definition
    {
        $definition = AllReports::find($report) ?? abort(404);
        abort_unless($by->mayDo($definition->ability()), 403);

        return $definition;
    }

    /** As it is asked for now, under a name; and mailed, if wanted. */
    public function keep(ReportRequest $request, string $report, #[CurrentUser] Staff $by): RedirectResponse
    {
        $definition = $this->definition($report, $by);
        $asked = $request->asked($definition);
        $kept = KeptReport::keep(
            $by, $definition, $request->string('name')->trim()->value(),
            [...$request->kept(), ...$asked->period->query()], $request->string('every')->value(),
            $request->string('mail_to')->trim()->value(),
        );

        return redirect()->route('reports.show', ['report' => $report, ...$kept->query])
            ->with('done', $kept->every === ''
                ? "Kept as “{$kept->name}”."
                : "Kept as “{$kept->name}”, and mailed to {$kept->mail_to} every {$kept->every}.");
    }

    public function forget(Request $request, int $kept, #[CurrentUser] Staff $by): RedirectResponse
    {
        KeptReport::query()->where('staff_id', $by->id)->whereKey($kept)->delete();

        return redirect()->route('reports')->with('done', 'It is not kept any more.');
    }
}
