<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Reminder letters: who is to get one, looked at before they go, and every old one again. */
final class LetterController
{
    private const SHOWN = 30;

    public function __construct(private readonly House $house, private readonly SendLetters $send)
    {
    }

    public function index(DueLetters $due): View
    {
        return view('letters.index', [
            'due' => $due->on(ShopTime::today()),
            'sent' => Letter::query()->with(['customer', 'staff'])->latest('id')->limit(self::SHOWN)->get(),
            'toPrint' => self::toPrint()->count(),
            'levels' => LetterLevels::of($this->house)->levels,
            'house' => $this->house,
        ]);
    }

    public function send(Request $request, AtTill $atTill, #[CurrentUser] Staff $by): RedirectResponse
    {
        [$mailed, $printed, $failed] = [0, 0, 0];

        foreach ((array) $request->input('accounts', []) as $customer) {
            $letter = is_numeric($customer) ? $this->send->send((int) $customer, $atTill->till(), $by) : null;
            $state = $letter?->refresh()->state;
            $mailed += $state === 'mailed' ? 1 : 0;
            $failed += $state === 'failed' ? 1 : 0;
            $printed += $letter?->way === StatementWay::Print ? 1 : 0;
        }

        return redirect()->route('letters')->with('done', match (true) {
            $mailed + $printed + $failed === 0 => 'No letter was due any more.',
            default => ($mailed === 1 ? '1 letter was mailed' : "{$mailed} letters were mailed")
                .($printed > 0 ? ", {$printed} to print" : '')
                .($failed > 0 ? ", {$failed} could not be mailed: see below" : '').'.',
        });
    }

    public function settings(LetterLevelsRequest $request): RedirectResponse
    {
        $this->house->shop()->update(['letter_levels' => $request->levels()]);

        return redirect()->route('letters')->with('done', 'Kept. It holds from now on.');
    }

    public function mailAgain(Letter $letter): RedirectResponse
    {
        $this->send->mailAgain($letter->load('customer'));

        return redirect()->route('letters')->with('done', $letter->refresh()->state === 'mailed'
            ? "Mailed to {$letter->customer->mail}."
            : 'It could not be mailed.');
    }

    public function paper(Letter $letter, LetterPaper $paper): Response
    {
        return $this->file($paper->pdf([$letter]), "reminder-{$letter->id}.pdf");
    }

    /** Those of today that go by post, in one file. */
    public function printFile(LetterPaper $paper): Response
    {
        $letters = self::toPrint()->orderBy('id')->get();
        $letters->isNotEmpty() || abort(404);

        return $this->file($paper->pdf($letters), 'reminders.pdf');
    }

    /** @return Builder<Letter> */
    private static function toPrint(): Builder
    {
        return Letter::query()->where('sent_on', ShopTime::today())->where('way', StatementWay::Print);
    }

    private function file(string $pdf, string $name): Response
    {
        return response($pdf, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$name}\"",
        ]);
    }
}
