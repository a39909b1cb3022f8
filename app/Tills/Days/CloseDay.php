<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Books\Chain\SignHeads;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\CloseOnline;
use Elmstone\Tills\TillSession;
use Illuminate\Support\Facades\DB;

/**
 * Closes business days of a location, in their order: nothing is posted into them any more. Whoever posts holds the
 * location until it is posted, so that a document is before the close or after it, never between.
 */
final class CloseDay
{
    public function __construct(private readonly CloseOnline $online)
    {
    }

    /**
     * Closes a day, and those before it that are open still.
     *
     * @throws Refused future_date, closed_already, sessions_open
     */
    public function handle(int $location, CarbonImmutable $day, Staff $by): Closing
    {
        $day = $day->startOfDay();
        $day->greaterThan(ShopTime::today())
            && throw Refused::because('future_date', 'A day that is still to come cannot be closed.');
        $this->online->at($location, $day, $by);

        return DB::transaction(function () use ($location, $day, $by): Closing {
            $held = self::held($location);
            $day->lessThanOrEqualTo($held->closed_through)
                && throw Refused::because('closed_already', "{$day->format('j M Y')} is closed already.");
            $this->assertSessionsClosed($held, $day);
            $closing = Closing::query()->create([
                'location_id' => $held->id,
                'from_day' => $held->closed_through->addDay(),
                'through' => $day,
                'closed_by' => $by->id,
                'closed_at' => now(),
            ]);
            $held->update(['closed_through' => $day]);
            SignHeads::on($day, $held->id, $held->code);

            return $closing;
        }, 3);
    }

    /**
     * Opens a day again, and those after it.
     *
     * @throws Refused reason_missing, not_closed, month_closed
     */
    public function reopen(int $location, CarbonImmutable $day, string $reason, Staff $by): Closing
    {
        $day = $day->startOfDay();
        $reason === '' && throw Refused::because('reason_missing', 'Write why it is opened again: that is kept.');

        return DB::transaction(static function () use ($location, $day, $reason, $by): Closing {
            $held = self::held($location);
            $first = Closing::inForce($held->id)->where('through', '>=', $day)->orderBy('through')->first()
                ?? throw Refused::because('not_closed', "{$day->format('j M Y')} is not closed.");
            $months = Shop::query()->lockForUpdate()->firstOrFail()->months_closed_through;
            $months !== null
                && $first->from_day->lessThanOrEqualTo($months)
                && throw Refused::because(
                    'month_closed',
                    "Its month is closed, through {$months->format('j M Y')}. Open the month again first.",
                );
            Closing::inForce($held->id)->where('through', '>=', $day)->update([
                'reopened_by' => $by->id,
                'reopened_at' => now()->format('Y-m-d H:i:s.v'),
                'reason' => mb_substr($reason, 0, 255),
            ]);
            $held->update(['closed_through' => $first->from_day->subDay()]);

            return $first->refresh();
        }, 3);
    }

    private static function held(int $location): Location
    {
        return Location::query()->whereKey($location)->lockForUpdate()->firstOrFail();
    }

    /** Sessions that were open on the days, or took anything under their dates. */
    private function assertSessionsClosed(Location $location, CarbonImmutable $day): void
    {
        $open = TillSession::query()
            ->with('till')
            ->where('location_id', $location->id)
            ->where('unclosed', true)
            ->orderBy('id')
            ->get()
            ->filter(static fn (TillSession $session): bool => $session->opened_on->lessThanOrEqualTo($day)
                || Document::query()
                    ->where('session_id', $session->id)
                    ->where('business_date', '<=', $day->format('Y-m-d'))
                    ->exists());

        $open->isEmpty()
            || throw Refused::because(
                'sessions_open',
                'Not closed yet: '.$open->map(
                    static fn (TillSession $session): string => "{$session->label()} at {$session->till->name}",
                )->implode(', ').'. Count and close it first.',
            );
    }
}
