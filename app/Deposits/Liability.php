<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What the shop held for its customers as of a day, past or present: deposits, and money on layaways. From entries
 * dated on or before it.
 */
final readonly class Liability
{
    /** @param  list<HeldFor>  $customers by name, those with nothing held left out */
    private function __construct(public array $customers, public int $deposits, public int $layaways)
    {
    }

    public static function on(CarbonImmutable $day): self
    {
        $rows = DB::select(
            <<<'SQL'
            SELECT c.id, c.number, c.name, SUM(x.deposits) AS deposits, SUM(x.layaways) AS layaways FROM (
                SELECT customer_id, amount AS deposits, 0 AS layaways FROM deposit_entries WHERE business_date <= ?
                UNION ALL
                SELECT l.customer_id, 0, e.amount
                    FROM layaway_entries e JOIN layaways l ON l.id = e.layaway_id WHERE e.business_date <= ?
            ) x JOIN customers c ON c.id = x.customer_id
            GROUP BY c.id, c.number, c.name HAVING SUM(x.deposits) <> 0 OR SUM(x.layaways) <> 0 ORDER BY c.name, c.id
            SQL
            ,
            [$day->format('Y-m-d'), $day->format('Y-m-d')],
        );
        $customers = array_map(
            static fn (stdClass $row): HeldFor => new HeldFor(
                (int) $row->number,
                (string) $row->name,
                (int) $row->deposits,
                (int) $row->layaways,
            ),
            $rows,
        );
        $sum = static fn (callable $of): int => array_sum(array_map($of, $customers));

        return new self(
            array_values($customers),
            $sum(static fn (HeldFor $one): int => $one->deposits),
            $sum(static fn (HeldFor $one): int => $one->layaways),
        );
    }
}
