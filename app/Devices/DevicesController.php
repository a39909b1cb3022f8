<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Core\Money\Refused;
use Elmstone\Devices\Simulated\DeviceState;
use Elmstone\Devices\Simulated\SimulatedDisplay;
use Elmstone\Devices\Simulated\SimulatedMailbox;
use Elmstone\Devices\Simulated\SimulatedPrinter;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Devices\Simulated\TerminalMood;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\AtTill;
use Elmstone\Support\Signature;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** The page to play the outside world: what the terminal says, what was printed, mailed and shown. */
final class DevicesController
{
    public function __construct(private readonly AtTill $atTill)
    {
    }

    public function show(House $house): View
    {
        $till = $this->atTill->till();

        return view('devices.show', [
            'till' => $till,
            'house' => $house,
            'mood' => SimulatedTerminal::mood($till),
            'moods' => TerminalMood::cases(),
            'cards' => SimulatedTerminal::cards(),
            'put' => SimulatedTerminal::putIn($till),
            'off' => SimulatedTerminal::offBy($till),
            'requests' => DB::table('terminal_requests')
                ->where('till_id', $till->id)
                ->orderByDesc('id')
                ->limit(8)
                ->get(),
            'outOfPaper' => SimulatedPrinter::isOutOfPaper($till),
            'mailAway' => SimulatedMailbox::isAway(),
            'drawer' => DeviceState::read($till, 'drawer'),
            'papers' => DB::table('printed_papers')
                ->where('till_id', $till->id)
                ->orderByDesc('id')
                ->limit(6)
                ->get(['id', 'title', 'printed_at']),
            'mails' => DB::table('sent_mails')
                ->orderByDesc('id')
                ->limit(20)
                ->get(['id', 'recipient', 'subject', 'body', 'attachment_name', 'sent_at']),
        ]);
    }

    public function terminal(Request $request): RedirectResponse
    {
        $request->validate(['mood' => ['required', Rule::enum(TerminalMood::class)]]);
        DeviceState::write($this->atTill->till(), 'terminal', ['mood' => $request->string('mood')->value()]);
        $request->has('put') && SimulatedTerminal::put($this->atTill->till(), $request->filled('put')
            ? $request->integer('put') : null);

        return back()->with('done', 'The terminal will do that next.');
    }

    /** By what the terminal's report of its batch is wrong. */
    public function batch(Request $request, House $house): RedirectResponse
    {
        $off = $house->typedMoney($request->string('off')->value()) ?? $house->money(0);
        $off = $request->input('way') === 'less' ? $off->negated() : $off;
        SimulatedTerminal::beOffBy($this->atTill->till(), $off);

        return back()->with('done', "The terminal’s report is off by {$off->toString()}.");
    }

    public function printer(Request $request): RedirectResponse
    {
        DeviceState::write($this->atTill->till(), SimulatedPrinter::DEVICE, [
            'out_of_paper' => $request->boolean('broken'),
        ]);

        return back()->with(
            'done',
            $request->boolean('broken') ? 'The printer is out of paper.' : 'The printer has paper.',
        );
    }

    public function mailbox(Request $request): RedirectResponse
    {
        DeviceState::write($this->atTill->till(), SimulatedMailbox::DEVICE, ['away' => $request->boolean('broken')]);

        return back()->with(
            'done',
            $request->boolean('broken') ? 'The mail server does not answer.' : 'The mail server answers.',
        );
    }

    public function paper(int $paper): Response
    {
        $html = DB::table('printed_papers')
            ->where('till_id', $this->atTill->till()->id)
            ->where('id', $paper)
            ->value('html');

        return is_string($html) ? response($html) : abort(404);
    }

    public function attachment(int $mail): Response
    {
        $sent = DB::table('sent_mails')
            ->where('id', $mail)
            ->first(['attachment', 'attachment_name']);

        return $sent === null
            ? abort(404)
            : response($sent->attachment, 200, [
                'Content-Type' => 'application/pdf',
                'Content-Disposition' => "inline; filename=\"{$sent->attachment_name}\"",
            ]);
    }

    public function display(Till $till, House $house): View
    {
        return view('devices.display', [
            'till' => $till,
            'shop' => $house->shop(),
            'content' => SimulatedDisplay::showing($till),
            'signs' => SimulatedDisplay::asked($till),
        ]);
    }

    /** Who stands at the display has signed there. */
    public function sign(Request $request, Till $till): RedirectResponse
    {
        $path = $request->string('signature')->value();

        try {
            Signature::assertPath($path);
            $path === '' || SimulatedDisplay::sign($till, $path);
        } catch (Refused $refused) {
            return redirect()->route('devices.display', $till->id)->withErrors(['signature' => $refused->getMessage()]);
        }

        return redirect()->route('devices.display', $till->id);
    }
}
