<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\TaxClass;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
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

    /** Above which amount who pays by card or on account signs, and whether papers show it. */
    public function signatures(Request $request): RedirectResponse
    {
        $shop = $this->house->shop();

        try {
            $typed = $request->string('sign_over')->trim()->value();
            $over = $typed === '' ? null : $this->house->typedMoney($typed) ?? $this->house->money(0);
        } catch (Refused $refused) {
            return redirect()->route('surcharges')->withInput()->withErrors(['sign_over' => $refused->getMessage()]);
        }

        $shop->update(['sign_over' => $over, 'print_signatures' => $request->boolean('print_signatures')]);

        return redirect()->route('surcharges')->with('done', $over === null ? 'Nobody signs from now on.'
            : "Who pays more than {$over->toString()} by card or on account signs from now on.");
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
