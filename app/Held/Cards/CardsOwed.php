<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What was owed on gift cards as of a day, past or present, from entries dated on or before it. */
final class CardsOwed
{
    /** @return list<CardOwed> the latest first; those with nothing left out */
    public static function on(CarbonImmutable $day): array
    {
        $rows = DB::select(
            'SELECT g.id, g.code, g.issued_on, g.expires_on, g.blocked, SUM(e.amount) AS owed FROM gift_cards g JOIN '
                .'held_entries e ON e.account_id = g.account_id WHERE e.business_date <= ? GROUP BY g.id, g.code, '
                .'g.issued_on, g.expires_on, g.blocked HAVING owed <> 0 ORDER BY g.issued_on DESC, g.id DESC',
            [$day->format('Y-m-d')],
        );
        $currency = app(Currency::class);

        return array_values(
            array_map(
                static fn (stdClass $row): CardOwed => new CardOwed(
                    (int) $row->id,
                    substr((string) $row->code, -4),
                    CarbonImmutable::parse((string) $row->issued_on),
                    $row->expires_on === null ? null : CarbonImmutable::parse((string) $row->expires_on),
                    (bool) $row->blocked,
                    Money::ofMinor((int) $row->owed, $currency),
                ),
                $rows,
            ),
        );
    }

    /** @param  list<CardOwed>  $cards */
    public static function total(array $cards, Currency $currency): Money
    {
        return Money::sum(array_map(static fn (CardOwed $card): Money => $card->owed, $cards), $currency);
    }
}
