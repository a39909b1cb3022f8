<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Post\SetTraining;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Devices\DeviceChoices;
use Elmstone\Paper\AskedPaper;
use Elmstone\Paper\OpenDrawer;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What is done at the till beside any slip; the slip that lies there stays as it is. */
final class TillController
{
    public function __construct(private readonly CounterPage $page, private readonly SlipDesk $desk)
    {
    }

    /** Opens the drawer without a sale. */
    public function drawer(Request $request, string $slip): Response
    {
        $why = $request->string('drawer_reason')->value();

        return $this->page->after($request, $slip, 'drawer', 'drawer_reason', function (Act $act) use (
            $slip,
            $why,
        ): Slip {
            OpenDrawer::handle($act->till, $act->by, $why, $act->key);

            return $this->said($slip, $act, 'The drawer opens; it is on record.');
        });
    }

    /** A copy of what was posted last at this till; never of a paper that says what goods cost. */
    /** Another till’s device from now on, for who stands here. */
    public function device(Request $request, string $slip, DeviceChoices $choices): Response
    {
        $kind = DeviceKind::tryFrom($request->string('kind')->value()) ?? abort(404);

        return $this->page->after($request, $slip, 'device', 'uses', function (Act $act) use (
            $request,
            $slip,
            $choices,
            $kind,
        ): Slip {
            $choices->choose($act->till, $kind, $request->integer('uses'), $act->by, forAll: false);

            return $this->desk->read($slip, $act);
        });
    }

    public function copy(Request $request, string $slip): Response
    {
        return $this->page->after($request, $slip, 'slip', 'copy', function (Act $act) use ($slip): Slip {
            $last = Document::query()
                ->where('till_id', $act->till->id)
                ->whereNotIn('purpose', Purpose::withNobody())
                ->latest('id')
                ->first()
                ?? throw Refused::because('nothing_posted', 'Nothing was posted at this till yet.');
            AskedPaper::ask($last, '', $act->till, $act->by);

            return $this->said($slip, $act, "A copy of {$last->label} goes to the printer.");
        });
    }

    /** Makes a till one for training, or a real one again. */
    public function training(
        Request $request,
        Till $till,
        SetTraining $set,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $is = $request->boolean('training');
        $set->handle($till, $is, $by);

        return redirect()
            ->route('settings.section', 'tills')
            ->with('done', "{$till->name} is ".($is ? 'for training: nothing is posted at it.' : 'a real till.'));
    }

    private function said(string $slip, Act $act, string $words): Slip
    {
        $read = $this->desk->read($slip, $act);
        $read->said = $words;

        return $read;
    }
}
