<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Figures\SessionFigures;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/**
 * Proves the drawers: what a session was closed on is what its documents come to, what was over, short or brought to
 * the safe stands posted, and sessions of a till follow each other without a gap.
 */
final class ProveTills implements Check
{
    public function __construct(private readonly Drawer $drawer, private readonly SessionFigures $figures)
    {
    }

    public function prove(Proof $proof): void
    {
        $closed = 0;

        foreach (TillSession::query()->with(['till', 'counts.ways'])->orderBy('id')->lazyById(200) as $session) {
            if ($session->state === SessionState::Closed) {
                $closed++;
                $this->closed($session, $proof);
            }
        }

        foreach (
            DB::select('SELECT till_id, COUNT(*) AS n, MAX(number) AS last FROM till_sessions GROUP BY till_id '
                .'HAVING n <> last') as $row
        ) {
            $proof->fault("till {$row->till_id}: {$row->n} sessions, numbered up to {$row->last}");
        }

        foreach ($this->figures->without() as $label) {
            $proof->fault("{$label}: money that went through no session");
        }

        $proof->checked('sessions closed on what their documents come to', $closed);
    }

    private function closed(TillSession $session, Proof $proof): void
    {
        $count = $session->counts->last();

        if ($count === null) {
            $proof->fault("{$session->label()}: closed without a count");

            return;
        }

        $expected = $this->drawer->expected($session);
        $set = $this->figures->set($session->id);
        $none = $count->cash()->minus($count->cash());

        foreach ($count->ways as $way) {
            $name = "{$session->label()}, {$way->way->value}";
            $proof->same($name, 'what it was closed on', $way->expected, $expected[$way->way->value]);
            $proof->same(
                $name,
                'what was over or short',
                ($set["till_over {$way->way->value}"] ?? $none)->minus($set["till_short {$way->way->value}"] ?? $none),
                $way->difference(),
            );
        }

        $safe = $count->cash()->minus($session->left_in ?? $none);
        $proof->same($session->label(), 'what goes to the safe', $session->to_safe, $safe);
        $proof->same($session->label(), 'what went to the safe', $set['to_safe cash'] ?? $none, $safe);
    }
}
