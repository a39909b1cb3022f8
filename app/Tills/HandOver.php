<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * A drawer of one's own goes to another person: without a count, or on the count just made, which then stays on record.
 * Who takes it over says so with a PIN; it is theirs from then on, and so is what is missing.
 */
final class HandOver
{
    /** @throws Refused not_open, not_your_drawer, nobody_s_drawer, drawer_elsewhere */
    public function handle(Till $till, Staff $to, Staff $by): TillSession
    {
        return DB::transaction(static function () use ($till, $to, $by): TillSession {
            $session = CountTill::locked($till);
            $from = $session->holder
                ?? throw Refused::because('nobody_s_drawer', 'This drawer is shared: whoever is at the till uses it.');

            // Whoever takes it does not take it from somebody who is not there.
            if ($by->id !== $from->id && ! $by->mayDo(Ability::CloseTill)) {
                throw Refused::because('not_your_drawer', "This is {$from->name}’s drawer.");
            }

            $to->id === $from->id && throw Refused::because('not_your_drawer', "It is {$to->name}’s already.");
            $elsewhere = TillSession::query()
                ->with('till')
                ->where('holder_id', $to->id)
                ->where('unclosed', true)
                ->first();
            $elsewhere === null
                || throw Refused::because(
                    'drawer_elsewhere',
                    "{$to->name} has a drawer open at {$elsewhere->till->name}: it is closed first.",
                );
            $counted = $session->state === SessionState::Counted;
            DB::table('till_hand_overs')->insert([
                'session_id' => $session->id,
                'count_id' => $counted ? $session->counts()->max('id') : null,
                'from_id' => $from->id,
                'to_id' => $to->id,
                'said_by' => $by->id,
                'at' => now()->format('Y-m-d H:i:s.v'),
            ]);
            $session->update(['holder_id' => $to->id, 'state' => SessionState::Open]);

            return $session->refresh();
        }, 3);
    }
}
