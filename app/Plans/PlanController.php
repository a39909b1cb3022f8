<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Elmstone\Books\Document;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\TypedWay;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** Payment plans: the list to work through, making one, its page, settling it early. */
final class PlanController
{
    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    public function index(Request $request, PlanWorklist $worklist): View
    {
        $day = ShopTime::today();
        $tab = $request->string('tab')->value();
        $tab = isset(PlanWorklist::TABS[$tab]) ? $tab : 'due';

        $page = $worklist->page($tab, $day);

        return view('plans.index', [
            'report' => PlanList::of($page->items(), $day, $this->house),
            'pages' => $page,
            'tab' => $tab,
        ]);
    }

    public function show(Plan $plan): View
    {
        $plan->load(['customer', 'invoice', 'chargeInvoice', 'document', 'staff', 'parts.item', 'parts.document']);

        return view('plans.show', [
            'plan' => $plan,
            'standing' => PlanStanding::of($plan, $this->house, ShopTime::today()),
            'day' => ShopTime::today(),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    /** The plan as it would be, worked out again whenever something is typed. */
    public function create(Request $request, Document $document): View|RedirectResponse
    {
        $item = OpenItemRecord::query()->whereKey($document->id)->where('open', '>', 0)->first();

        if ($item === null) {
            return redirect()
                ->route('documents.show', $document)
                ->withErrors(['refused' => "{$document->label} is settled; nothing is left to pay in parts."]);
        }

        $form = PlanForm::read($request, $this->house);
        $refused = null;
        $schedule = null;

        try {
            $principal = $item->open;
            $terms = $form->terms();
            $schedule = Schedule::of(
                $principal->plus($terms->charge($principal)),
                $terms->count,
                $form->firstDue(),
                $terms->rhythm,
            );
        } catch (Refused $caught) {
            $refused = $caught;
        }

        return view('plans.create', [
            'document' => $document,
            'item' => $item,
            'form' => $form,
            'schedule' => $schedule,
            'refused' => $refused,
            'rhythms' => Rhythm::cases(),
            'day' => ShopTime::today(),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function store(
        Request $request,
        Document $document,
        MakePlan $make,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $form = PlanForm::read($request, $this->house);
        $plan = $make->handle(
            new PlanOrder($document->id, $form->terms(), $form->firstDue(), $request->string('key')->value()),
            $this->atTill->till(),
            $by,
        );

        return redirect()
            ->route('plans.show', $plan)
            ->with('done', "{$document->label} is paid in {$form->count} parts now.");
    }

    public function settle(Request $request, Plan $plan, SettlePlan $settle, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate(['key' => ['required', 'uuid']]);
        $way = TypedWay::of($request, 'way', TenderKind::Cash);
        $settle->handle(
            $plan,
            $this->house->typedMoney($request->string('let_off')->value()) ?? $this->house->money(0),
            $way,
            $request->string('reference')->trim()->value(),
            $request->string('key')->value(),
            $this->atTill->till(),
            $by,
        );

        return redirect()
            ->route('plans.show', $plan)
            ->with('done', "{$plan->label} is settled.");
    }
}
