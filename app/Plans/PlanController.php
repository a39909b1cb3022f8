<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Receivables\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Payment plans: the list to work through, making one, its page, settling it early. */
final class PlanController
{
    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    public function index(Request $request): View
    {
        $day = CarbonImmutable::today();
        $tab = in_array($request->string('tab')->value(), ['due', 'behind', 'paid'], true) ? $request->string('tab')->value() : 'due';
        $rows = DB::table('plans as p')->join('plan_parts as t', 't.plan_id', '=', 'p.id')->join('open_items as i', 'i.document_id', '=', 't.document_id')->join('customers as c', 'c.id', '=', 'p.customer_id')
            ->groupBy('p.id', 'p.label', 'c.id', 'c.name', 'c.number', 'c.phone', 'c.mail', 'p.principal', 'p.charge', 'p.made_on')
            ->selectRaw('p.label, c.name, c.number, c.phone, c.mail, p.principal + p.charge AS total, p.made_on, SUM(i.`open`) AS open_now, MIN(IF(i.`open` > 0, t.due, NULL)) AS next_due, SUM(IF(i.`open` > 0 AND t.due < ?, i.`open`, 0)) AS late, COUNT(*) AS parts, SUM(i.`open` = 0) AS met', [$day->format('Y-m-d')])
            ->when($tab === 'due', static fn ($query) => $query->having('open_now', '>', 0)->orderBy('next_due'))
            ->when($tab === 'behind', static fn ($query) => $query->having('late', '>', 0)->orderBy('next_due'))
            ->when($tab === 'paid', static fn ($query) => $query->having('open_now', '=', 0)->orderByDesc('p.id'))
            ->simplePaginate(50)->withQueryString();

        return view('plans.index', ['rows' => $rows, 'tab' => $tab, 'day' => $day, 'house' => $this->house]);
    }

    public function show(Plan $plan): View
    {
        $plan->load(['customer', 'invoice', 'chargeInvoice', 'document', 'staff', 'parts.item', 'parts.document']);

        return view('plans.show', [
            'plan' => $plan,
            'standing' => PlanStanding::of($plan, $this->house, CarbonImmutable::today()),
            'day' => CarbonImmutable::today(),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    /** The plan as it would be, worked out again whenever something is typed. */
    public function create(Request $request, Document $document): View
    {
        $item = OpenItemRecord::query()->whereKey($document->id)->where('open', '>', 0)->firstOrFail();
        $form = PlanForm::read($request, $this->house);
        $refused = null;
        $schedule = null;

        try {
            $principal = $this->house->money($item->open);
            $terms = $form->terms();
            $schedule = Schedule::of($principal->plus($terms->charge($principal)), $terms->count, $form->firstDue(), $terms->rhythm);
        } catch (Refused $caught) {
            $refused = $caught;
        }

        return view('plans.create', ['document' => $document, 'item' => $item, 'form' => $form, 'schedule' => $schedule, 'refused' => $refused, 'rhythms' => Rhythm::cases(), 'day' => CarbonImmutable::today(), 'house' => $this->house, 'key' => old('key', (string) Str::uuid())]);
    }

    public function store(Request $request, Document $document, MakePlan $make, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate(['key' => ['required', 'uuid']]);
        $form = PlanForm::read($request, $this->house);
        $plan = $make->handle(new PlanOrder($document->id, $form->terms(), $form->firstDue(), $request->string('key')->value()), $this->atTill->till(), $by);

        return redirect()->route('plans.show', $plan)->with('done', "{$document->label} is paid in {$form->count} parts now.");
    }

    public function settle(Request $request, Plan $plan, SettlePlan $settle, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate(['key' => ['required', 'uuid']]);
        $way = TenderKind::tryFrom($request->string('way')->value()) ?? TenderKind::Cash;
        $settle->handle($plan, $this->house->typedMoney($request->string('let_off')->value()) ?? $this->house->money(0), $way, $request->string('reference')->trim()->value(), $request->string('key')->value(), $this->atTill->till(), $by);

        return redirect()->route('plans.show', $plan)->with('done', "{$plan->label} is settled.");
    }
}
