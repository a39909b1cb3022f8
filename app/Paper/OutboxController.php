<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Staff\AtTill;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** What waits to be printed or mailed at a till: tried again now, or left. */
final class OutboxController
{
    public function __construct(private readonly Outbox $outbox, private readonly AtTill $atTill)
    {
    }

    public function index(): View
    {
        return view('paper.waiting', [
            'waiting' => Outgoing::query()
                ->with(['document', 'staff'])
                ->where('till_id', $this->atTill->till()->id)
                ->whereIn('state', ['waiting', 'refused'])
                ->orderBy('id')
                ->limit(200)
                ->get(),
            'till' => $this->atTill->till(),
        ]);
    }

    public function again(Outgoing $outgoing): RedirectResponse
    {
        $this->assertHere($outgoing);

        return redirect()
            ->route('waiting')
            ->with('done', $this->outbox->send($outgoing->id) ? 'It went.' : 'It still does not go.');
    }

    public function leave(Outgoing $outgoing): RedirectResponse
    {
        $this->assertHere($outgoing);
        $this->outbox->leave($outgoing);

        return redirect()
            ->route('waiting')
            ->with('done', 'It is left. The paper can be printed from its document at any time.');
    }

    private function assertHere(Outgoing $outgoing): void
    {
        abort_unless($outgoing->till_id === $this->atTill->till()->id, 404);
    }
}
