<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Who is to be reminded today, looked at before it is sent. */
final class ReminderController
{
    public function __construct(private readonly DueReminders $due, private readonly SendReminders $send)
    {
    }

    public function index(): View
    {
        return view('reminders.index', [
            'reminders' => $this->due->on(ShopTime::today()),
            'day' => ShopTime::today(),
            'sent' => DB::table('reminders')->orderByDesc('id')->limit(20)->get(),
        ]);
    }

    public function send(): RedirectResponse
    {
        $done = $this->send->handle(ShopTime::today());
        $words = $done['sent'] === 1 ? '1 reminder was mailed.' : "{$done['sent']} reminders were mailed.";

        return redirect()
            ->route('reminders')
            ->with(
                'done',
                $words
                    .($done['unreachable'] > 0
                        ? " {$done['unreachable']} have no mail address: print those, or call."
                        : ''),
            );
    }

    /** A reminder as paper, for who has no mail address. */
    public function paper(string $key): Response
    {
        $reminder = $this->find($key) ?? abort(404);

        return response($this->send->paper($reminder), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$reminder->label}-reminder.pdf\"",
        ]);
    }

    /** Reminded by hand: called, or sent on paper. */
    public function done(string $key): RedirectResponse
    {
        $reminder = $this->find($key);
        $reminder === null || $this->send->note($reminder, 'by hand', ShopTime::today());

        return redirect()
            ->route('reminders')
            ->with('done', $reminder === null ? 'That was done already.' : "{$reminder->customer} is reminded.");
    }

    private function find(string $key): ?Reminder
    {
        foreach ($this->due->on(ShopTime::today()) as $reminder) {
            if ($reminder->key() === $key) {
                return $reminder;
            }
        }

        return null;
    }
}
