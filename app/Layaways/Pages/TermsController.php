<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Layaways\HouseTerms;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxClass;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** What the shop proposes for layaways and plans, and when it reminds people. */
final class TermsController
{
    public function __construct(private readonly House $house)
    {
    }

    public function show(): View
    {
        return view('layaways.terms', [
            'terms' => HouseTerms::of($this->house),
            'house' => $this->house,
            'shop' => $this->house->shop(),
            'rhythms' => Rhythm::cases(),
            'classes' => TaxClass::query()->orderBy('code')->pluck('code')->all(),
        ]);
    }

    public function save(TermsRequest $request): RedirectResponse
    {
        $this->house->shop()->forceFill($request->columns($this->house))->save();

        return redirect()
            ->route('layaways.terms')
            ->with('done', 'The terms are kept; agreements that were made stay as they are.');
    }
}
