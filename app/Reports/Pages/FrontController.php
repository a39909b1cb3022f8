<?php

declare(strict_types=1);

namespace Elmstone\Reports\Pages;

use Elmstone\Reports\FrontPage;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Sight;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;

/** The owner's front page. */
final class FrontController
{
    public function __invoke(
        FrontPage $front,
        Sight $sight,
        AtTill $atTill,
        House $house,
        #[CurrentUser] Staff $by,
    ): View {
        $today = ShopTime::today();
        $location = $sight->seesAll($by) ? null : $atTill->till()->location_id;

        return view('reports.front', [
            'today' => $today,
            'times' => $front->times($today, $location),
            'bars' => $front->bars($today, $location, $by),
            'eyes' => $front->eyes($today, $by),
            'house' => $house,
        ]);
    }
}
