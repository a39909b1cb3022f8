<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\TaxClass;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;

/** What paying by card costs at each place, and the words that are said before. */
final readonly class SurchargeController
{
    public function __construct(private House $house)
    {
    }

    public function index(): View
    {
        return view('cards.surcharges', [
            'house' => $this->house,
            'places' => Location::query()->orderBy('id')->get(),
            'classes' => TaxClass::query()->orderBy('code')->get(),
            'rules' => CardSurcharge::query()->get()->groupBy('location_id')
                ->map(static fn ($rules) => $rules->keyBy('card_type')),
        ]);
    }

    public function save(SurchargeRequest $request, Location $location): RedirectResponse
    {
        DB::transaction(static function () use ($request, $location): void {
            Location::query()->whereKey($location->id)->lockForUpdate()->first();
            CardSurcharge::query()->where('location_id', $location->id)->delete();

            foreach ($request->surcharges() as $type => $rule) {
                CardSurcharge::query()->create([
                    'location_id' => $location->id,
                    'card_type' => $type,
                    'percent' => $rule->percent->toString(),
                    'cap' => $rule->cap,
                ]);
            }

            $location->update($request->terms());
        });

        return redirect()->route('surcharges')->with('done', "Kept for {$location->name}; it holds for cards that are "
            .'asked from now on.');
    }
}
