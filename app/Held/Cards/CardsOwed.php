<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What was owed on gift cards as of a day, past or present, from entries dated on or before it. */
final readonly class CardsOwed
{
    /** @param  list<stdClass>  $cards with their code, dates and what was owed; those with nothing left out */
    private function __construct(public array $cards, public int $total)
    {
    }

    public static function on(CarbonImmutable $day): self
    {
        $rows = DB::select(
            'SELECT g.id, g.code, g.issued_on, g.expires_on, g.blocked, SUM(e.amount) AS owed FROM gift_cards g JOIN '
                .'held_entries e ON e.account_id = g.account_id WHERE e.business_date <= ? GROUP BY g.id, g.code, '
                .'g.issued_on, g.expires_on, g.blocked HAVING owed <> 0 ORDER BY g.issued_on DESC, g.id DESC',
            [$day->format('Y-m-d')],
        );

        return new self(
            array_values($rows),
            array_sum(array_map(static fn (stdClass $row): int => (int) $row->owed, $rows)),
        );
    }
}
