<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Elmstone\Books\Chain\SignHeads;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\AtTill;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The sheet of a day. */
final class DaySheetController
{
    public function __construct(private readonly AtTill $atTill, private readonly House $house)
    {
    }

    public function sheet(Request $request): View
    {
        return view('tills.day', [...$this->asked($request), 'house' => $this->house]);
    }

    public function paper(Request $request, Pdf $pdf): Response
    {
        $asked = $this->asked($request);
        $html = view('tills.day-paper', [
            ...$asked,
            'shop' => $this->house->shop(),
            'house' => $this->house,
            'paperTitle' => "Day sheet {$asked['sheet']->day->format('Y-m-d')}",
            'pdf' => true,
        ])->render();

        return response($pdf->a4($html), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"day-{$asked['sheet']->day->format('Y-m-d')}.pdf\"",
        ]);
    }

    /** @return array{sheet: DaySheet, locations: iterable<Location>, signed: array<string, string>|null} */
    private function asked(Request $request): array
    {
        $locations = Location::query()->orderBy('id')->get()->keyBy('id');
        $where = $request->query('at', (string) $this->atTill->till()->location_id);

        $day = DayAsked::of($request->query('day'));
        $location = is_string($where) && is_numeric($where) ? $locations->get((int) $where) ?? abort(404) : null;

        return [
            'sheet' => DaySheet::of($day, $location, $this->house),
            'locations' => $locations,
            'signed' => $location !== null && $day->lessThanOrEqualTo($location->closed_through)
                ? SignHeads::shortForm($day, $location->id)
                : null,
        ];
    }
}
