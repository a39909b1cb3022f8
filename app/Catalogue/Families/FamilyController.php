<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Unit;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\TaxClass;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Families: the list of them, a new one, and the grid of one. */
final class FamilyController
{
    public function __construct(private readonly House $house, private readonly OnTheirWay $coming)
    {
    }

    public function index(): View
    {
        return view('catalogue.families.index', [
            'families' => Family::query()->with('department')->withCount('items')->orderBy('name')->simplePaginate(100),
            'house' => $this->house,
        ]);
    }

    public function create(): View
    {
        return view('catalogue.families.new', [
            'departments' => Department::query()->orderBy('name')->get(),
            'taxClasses' => TaxClass::query()->orderBy('name')->get(),
            'units' => Unit::cases(),
            'most' => Family::MOST,
        ]);
    }

    public function store(FamilyRequest $request, MakeFamily $make, #[CurrentUser] Staff $by): RedirectResponse
    {
        $family = $request->saidAtItsField(static fn (): Family => $make->handle($request->draft(), $by));
        $made = $family->items()->count();

        return redirect()->route('families.show', $family)->with('done', $made === 1
            ? 'The family and its item are made.'
            : "The family and its {$made} items are made; barcodes and prices of their own can follow here.");
    }

    /** The grid: what there is of each cell at a place; or its prices, barcodes, codes, to be typed. */
    public function show(Request $request, Family $family, AtTill $atTill): View
    {
        $may = $request->user()?->can('edit-items') === true;
        $type = $may && in_array($request->query('type'), GridRequest::KINDS, true) ? $request->query('type') : '';
        $place = $request->query('place', (string) $atTill->till()->location_id);

        return view('catalogue.families.show', [
            'grid' => FamilyGrid::of($family, $this->coming),
            'type' => $type,
            'place' => $place === 'all' ? null : (int) (is_string($place) ? $place : 0),
            'places' => Location::query()->orderBy('id')->get(),
            'house' => $this->house,
        ]);
    }

    public function change(
        GridRequest $request,
        Family $family,
        ChangeFamily $change,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $version = $request->integer('version');
        $said = match ($request->kind()) {
            'prices' => $this->priced($change->prices($family, $version, $request->price(), $request->prices(), $by)),
            'barcodes' => $request->saidAtItsCell(
                static fn () => $change->barcodes($family, $version, $request->barcodes()),
                'The barcodes are kept.',
            ),
            default => $request->saidAtItsCell(
                static fn () => $change->place($family, $version, $request->codes()),
                'The items stand as typed.',
            ),
        };

        return redirect()->route('families.show', $family)->with('done', $said);
    }

    public function grow(GrowRequest $request, Family $family, ChangeFamily $change): RedirectResponse
    {
        $request->saidAtItsField(static fn () => $change->grow(
            $family, $request->integer('version'), $request->axis(), $request->values(),
        ));

        return redirect()->route('families.show', $family)->with('done', 'Put into the grid; its cells are empty yet.');
    }

    public function complete(
        Request $request,
        Family $family,
        MakeFamily $make,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $made = $make->complete($family, $request->integer('version'), $by);

        return redirect()->route('families.show', $family)->with('done', match ($made) {
            0 => 'No cell was empty.',
            1 => 'One item is made.',
            default => "{$made} items are made.",
        });
    }

    private function priced(int $changed): string
    {
        return match ($changed) {
            0 => 'No price changed.',
            1 => 'One price changed.',
            default => "{$changed} prices changed.",
        };
    }
}
