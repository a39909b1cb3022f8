<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Document;
use Elmstone\Books\Sessions;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;

/** Finds the session that money at a till belongs to, and holds it open until that money is posted. */
final class OpenSessions implements Sessions
{
    public function take(int $till, int $staff): int
    {
        $session = DB::table('till_sessions')
            ->where('till_id', $till)
            ->where('unclosed', true)
            ->sharedLock()
            ->first(['id', 'state', 'holder_id']);

        if ($session === null) {
            throw Refused::because('till_not_open', 'This till is not open yet. Open it with its float first.');
        }

        if ($session->state !== SessionState::Open->value) {
            throw Refused::because(
                'till_counted',
                'This till has been counted: no money goes in or out until it is closed, or goes on.',
            );
        }

        if ($session->holder_id !== null && (int) $session->holder_id !== $staff) {
            throw Refused::because(
                'not_your_drawer',
                'The drawer of this till is another person’s. They hand it over on the page of the till, or close it.',
            );
        }

        return (int) $session->id;
    }

    public function assertChequesHere(int $document): void
    {
        $lies = DB::table('till_sessions')
            ->where('id', Document::query()->whereKey($document)->value('session_id'))
            ->where('unclosed', true)
            ->sharedLock()
            ->first(['state', 'till_id']);

        if ($lies !== null && $lies->state !== SessionState::Open->value) {
            $till = Till::query()->whereKey($lies->till_id)->sole();

            throw Refused::because(
                'cheque_counted',
                "The cheque lies in the drawer of {$till->name}, which has been counted: it can be handed back once "
                    .'that till is closed, or goes on.',
            );
        }

        if (DB::table('safe_cheques')->where('document_id', $document)->whereNotNull('lodgement_id')->exists()) {
            throw Refused::because(
                'cheque_paid_in',
                'The cheque has been paid in to the bank already, so it cannot be handed back.',
            );
        }
    }

    /** The session at a till that is not closed yet. */
    public static function at(int $till): ?TillSession
    {
        return TillSession::query()->where('till_id', $till)->where('unclosed', true)->first();
    }
}
