<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemMargin;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The morning's prices of old goods: looked at, taken, ended; and by which steps goods get cheaper. */
final class MarkdownController
{
    private const AT_ONCE = 100;

    public function index(Request $request, Proposals $proposals, AtTill $atTill, House $house): View
    {
        $proposals->ofToday();
        $department = $request->integer('department');

        return view('catalogue.markdowns', [
            'proposals' => Proposal::query()
                ->with('item')
                ->when($department > 0, static fn ($query) => $query->where(
                    'markdown_proposals.department_id',
                    $department,
                ))
                ->join('items', 'items.id', '=', 'markdown_proposals.item_id')
                ->orderBy('items.department_id')
                ->orderBy('items.description')
                ->select('markdown_proposals.*')
                ->simplePaginate(self::AT_ONCE)
                ->withQueryString(),
            'counts' => DB::table('markdown_proposals')->groupBy('department_id')
                ->pluck(DB::raw('COUNT(*)'), 'department_id')->all(),
            'version' => Proposals::version(),
            'department' => $department,
            'departments' => Department::query()->orderBy('name')->get()->keyBy('id'),
            'steps' => Steps::all(),
            'margin' => new ItemMargin($house, $atTill->till()->location),
            'marked' => Item::query()->whereNotNull('marked_on')->count(),
            'markedToday' => Item::query()->where('marked_on', ShopTime::today())->count(),
            'today' => ShopTime::today(),
            'house' => $house,
        ]);
    }

    /** What is marked down now. */
    public function marked(House $house): View
    {
        return view('catalogue.marked', [
            'items' => Item::query()
                ->with(['department', 'stock'])
                ->whereNotNull('marked_on')
                ->orderByDesc('marked_on')
                ->orderBy('description')
                ->simplePaginate(self::AT_ONCE),
            'house' => $house,
        ]);
    }

    public function take(Request $request, TakeMarkdowns $take, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate([
            'version' => ['required', 'integer'],
            'department' => ['nullable', 'integer'],
            'shown' => ['array'],
            'shown.*' => ['integer'],
            'take' => ['array'],
            'take.*' => ['integer'],
        ]);
        $ids = static fn (string $list): array => array_map(
            static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0,
            array_values((array) $request->input($list, [])),
        );
        [$taken, $changed] = $take->handle(
            $request->integer('version'),
            $request->integer('department'),
            array_values(array_diff($ids('shown'), $ids('take'))),
            $by,
        );

        return redirect()->route('markdowns')->with('done', trim(
            ($taken === 1 ? 'One price is' : number_format($taken).' prices are').' as proposed from now on. '
                .match (true) {
                    $changed === 0 => '',
                    $changed === 1 => 'One had changed since the list was made and was left as it is.',
                    default => "{$changed} had changed since the list was made and were left as they are.",
                },
        ));
    }

    public function anew(Proposals $proposals): RedirectResponse
    {
        $proposals->anew();

        return redirect()->route('markdowns')->with('done', 'Worked out anew.');
    }

    public function end(Item $item, TakeMarkdowns $take, #[CurrentUser] Staff $by): RedirectResponse
    {
        $take->end($item, $by);

        return redirect()->route('markdowns.marked')->with('done', "{$item->code} is at its other prices again.");
    }

    public function steps(StepsRequest $request, Proposals $proposals): RedirectResponse
    {
        try {
            Steps::keep($request->integer('of'), $request->steps());
        } catch (Refused $refused) {
            return back()->withInput()->withErrors(['steps' => $refused->getMessage()]);
        }

        $proposals->anew();

        return redirect()->route('markdowns')->with('done', 'Kept, and the list is worked out by it.');
    }
}
