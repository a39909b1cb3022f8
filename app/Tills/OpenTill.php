<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Books;
use Elmstone\Books\Posting;
use Elmstone\Books\Practice;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;

/**
 * Opens a drawer with its float: as it was left in, or as it was counted; what differs comes from the safe or goes back
 * to it.
 */
final class OpenTill
{
    public function __construct(
        private readonly Books $books,
        private readonly House $house,
        private readonly DrawerPosting $posting,
        private readonly Practice $practice,
    ) {
    }

    /** What the close before left in. */
    public function carried(Till $till): Money
    {
        return TillSession::query()->where('till_id', $till->id)->orderByDesc('number')->first()->left_in
            ?? $this->house->money(0);
    }

    /**
     * @param  Money|null  $float null: as it was left in
     * @param  string  $key one key, one session
     *
     * @throws Refused already_open, bad_amount, less_than_left_in, training, day_closed, clock_back, drawer_elsewhere
     */
    public function handle(Till $till, ?Money $float, Staff $by, string $key): TillSession
    {
        return $this->books->post(
            Posting::under($key)
                ->locking(static fn (): ?TillSession => TillSession::query()
                    ->where('till_id', $till->id)
                    ->orderByDesc('number')
                    ->first())
                ->unless(static fn (): ?TillSession => TillSession::query()->where('open_key', $key)->first())
                ->writing(fn (?TillSession $last): TillSession => $this->open($last, $till, $float, $by, $key)),
        );
    }

    private function open(?TillSession $last, Till $till, ?Money $float, Staff $by, string $key): TillSession
    {
        $this->practice->assertMayPost($till->id);
        $carried = $last->left_in ?? $this->house->money(0);
        $float ??= $carried;

        $till->location->assertOpenOn(ShopTime::today());

        if ($last?->closed_at?->isFuture() === true) {
            throw Refused::because(
                'clock_back',
                "{$till->name} was closed at {$last->closed_at->format('j M Y, H:i')}, which is still to come: the "
                    .'clock of this machine is wrong.',
            );
        }

        if ($float->isNegative()) {
            throw Refused::because('bad_amount', 'A float cannot be below zero.');
        }

        // What is missing in the morning is no float brought back to the safe, unless somebody answers for that.
        if ($carried->exceeds($float) && ! $by->mayDo(Ability::CloseTill)) {
            throw Refused::because(
                'less_than_left_in',
                "{$carried->toString()} was left in. A supervisor opens it with less; or open it as it was left in, "
                    .'and what is missing shows when it is counted.',
            );
        }

        // Two who open it at once are told apart by the table: one of them finds it open.
        $opened = TillSession::query()->insertOrIgnore([
            'till_id' => $till->id,
            'location_id' => $till->location_id,
            'number' => ($last->number ?? 0) + 1,
            'state' => SessionState::Open->value,
            'unclosed' => true,
            'opened_by' => $by->id,
            'opened_at' => now()->format('Y-m-d H:i:s.v'),
            'opened_on' => ShopTime::today()->format('Y-m-d'),
            'holder_id' => $till->drawer_per_person ? $by->id : null,
            'carried' => $carried,
            'float_amount' => $float,
            'open_key' => $key,
        ]);
        $session = TillSession::query()->where('open_key', $key)->first()
            ?? throw $this->openAlready($till, $by);
        $more = $float->minus($carried);
        // Sent twice at once, the second finds what the first has made, float and all.
        $opened === 0 || $more->isZero() || $this->posting->document(
            $session,
            $more->isPositive() ? Purpose::FloatIn : Purpose::FloatOut,
            $more->abs(),
            Drawer::CASH,
            $by,
            "Float of {$till->name}",
        );

        return $session;
    }

    /** The table holds a till to one open session, and a person to one drawer of their own. */
    private function openAlready(Till $till, Staff $by): Refused
    {
        $own = TillSession::query()
            ->with('till')
            ->where('holder_id', $by->id)
            ->where('unclosed', true)
            ->where('till_id', '<>', $till->id)
            ->first();

        return OpenSessions::at($till->id) !== null || $own === null
            ? Refused::because('already_open', "{$till->name} is open already.")
            : Refused::because(
                'drawer_elsewhere',
                "Your drawer is open at {$own->till->name}: close it there, or hand it over.",
            );
    }
}
