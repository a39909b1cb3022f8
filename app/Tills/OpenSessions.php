<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Sessions;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;

/** Finds the session that money at a till belongs to, and holds it open until that money is posted. */
final class OpenSessions implements Sessions
{
    public function take(int $till): ?int
    {
        $session = DB::table('till_sessions')
            ->where('till_id', $till)
            ->where('unclosed', true)
            ->sharedLock()
            ->first(['id', 'state']);

        return match ($session?->state) {
            null => null,
            SessionState::Open->value => (int) $session->id,
            default => throw Refused::because(
                'till_counted',
                'This till has been counted: no money goes in or out until it is closed, or goes on.',
            ),
        };
    }

    /** The session at a till that is not closed yet. */
    public static function at(int $till): ?TillSession
    {
        return TillSession::query()->where('till_id', $till)->where('unclosed', true)->first();
    }
}
