<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Shop\SettingChange;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Elmstone\Support\Show;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Every change of a setting, the newest first: what it was, what it is, who changed it and when. */
final readonly class ChangesController
{
    private const SHOWN = 100;

    public function index(Request $request): View
    {
        return view('setup.changes', [
            'changes' => $this->changes($request)->simplePaginate(self::SHOWN)->withQueryString(),
            'areas' => SettingChange::query()->distinct()->orderBy('area')->pluck('area'),
            'area' => $request->string('area')->value(),
            'people' => Staff::query()->pluck('name', 'id'),
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        $people = Staff::query()->pluck('name', 'id');
        $rows = (function () use ($request, $people): iterable {
            foreach ($this->changes($request)->lazyById(1000, 'id') as $change) {
                $who = $people[$change->staff_id ?? 0] ?? '';
                yield [Show::moment($change->at), $change->area, $change->what, $change->old, $change->new, $who];
            }
        })();

        return Csv::download('changes-of-settings.csv', ['at', 'area', 'what', 'old', 'new', 'by'], $rows);
    }

    /** @return Builder<SettingChange> */
    private function changes(Request $request): Builder
    {
        $area = $request->string('area')->value();

        return SettingChange::query()
            ->when($area !== '', static fn (Builder $changes) => $changes->where('area', $area))
            ->orderByDesc('id');
    }
}
