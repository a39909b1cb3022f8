<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Support\Casts\MoneyCast;
use Generator;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What was open on a day, past or present: from documents and allocations dated on or before it. An item that nothing
 * was set against since stands as it stood; of the others, what was set since is added again.
 */
final readonly class AsOf
{
    public function __construct(private House $house)
    {
    }

    /** @return Collection<int, OpenItemRecord> one account's, oldest due first, `open` being what was open then */
    public function items(int $customer, CarbonImmutable $day): Collection
    {
        [$then, $bindings] = self::openThen($day);

        return OpenItemRecord::query()
            ->where('customer_id', $customer)
            ->where('business_date', '<=', $day->format('Y-m-d'))
            ->where(
                static fn ($either) => $either->where('open', '>', 0)->orWhere('moved_on', '>', $day->format('Y-m-d')),
            )
            ->select('open_items.*')
            ->selectRaw("{$then} AS `open_then`", $bindings)
            ->orderBy('due_date')
            ->orderBy('business_date')
            ->orderBy('document_id')
            ->get()
            ->each(
                static fn (OpenItemRecord $item) => $item->setAttribute(
                    'open',
                    MoneyCast::read($item->getAttribute('open_then')),
                ),
            )
            ->filter(static fn (OpenItemRecord $item): bool => $item->open->isPositive())
            ->values();
    }

    public function balance(int $customer, CarbonImmutable $day): Money
    {
        return $this->house->money(
            (int) DB::table('open_items')
                ->where('customer_id', $customer)
                ->where('business_date', '<=', $day->format('Y-m-d'))
                ->sum(DB::raw("IF(kind = 'charge', amount, -amount)")),
        );
    }

    public function ageing(int $customer, CarbonImmutable $day): Ageing
    {
        return $this->age($this->items($customer, $day), $day);
    }

    /** @param  iterable<OpenItemRecord>  $items */
    public function age(iterable $items, CarbonImmutable $day): Ageing
    {
        $values = [];

        foreach ($items as $item) {
            $values[] = $item->toValue();
        }

        return Ageing::of($this->house->currency(), $day, $values);
    }

    /**
     * Every account that had anything open, one after the other, its columns summed where the rows are.
     *
     * @return Generator<int, Ageing> by customer
     */
    public function all(CarbonImmutable $day): Generator
    {
        $currency = $this->house->currency();
        $bands = AgeBand::cases();
        $names = array_map(static fn (int $i): string => "band{$i}", array_keys($bands));

        foreach ($this->summed($day, [], $names)->orderBy('customer_id')->cursor() as $row) {
            $columns = [];

            foreach ($bands as $i => $band) {
                $columns[$band->value] = Money::ofMinor((int) $row->{"band{$i}"}, $currency);
            }

            yield (int) $row->customer_id => Ageing::summed($columns, $currency);
        }
    }

    /** @return list<int> customers with a charge open then that was so many days old */
    public function withOlder(CarbonImmutable $day, int $days): array
    {
        [$then, $bindings] = self::openThen($day);
        $rows = DB::select(
            "SELECT DISTINCT customer_id FROM open_items WHERE kind = 'charge' AND business_date < ? AND (`open` > 0 "
                ."OR moved_on > ?) AND {$then} > 0 ORDER BY customer_id",
            [$day->subDays($days)->format('Y-m-d'), $day->format('Y-m-d'), ...$bindings],
        );

        return array_values(array_map(static fn (stdClass $row): int => (int) $row->customer_id, $rows));
    }

    /**
     * @param  list<int>  $among customers; none: all
     * @param  list<string>  $names what the columns of AgeBand are called in it
     * @return Builder customer_id and, in minor units, each column of those that had anything open
     */
    public function summed(CarbonImmutable $day, array $among, array $names): Builder
    {
        $theirs = $among === [] ? '' : ' AND customer_id IN ('.implode(', ', array_fill(0, count($among), '?')).')';
        [$then, $bindings] = self::openThen($day);
        [$sums, $bounds] = self::sums($day, $names);
        $on = $day->format('Y-m-d');

        return DB::query()
            ->fromRaw(
                <<<SQL
                (
                    SELECT customer_id, kind, due_date, `open` AS open_then
                        FROM open_items WHERE `open` > 0 AND moved_on <= ? AND business_date <= ?{$theirs}
                    UNION ALL
                    SELECT customer_id, kind, due_date, {$then} AS open_then
                        FROM open_items WHERE moved_on > ? AND business_date <= ?{$theirs}
                ) then_open
                SQL
                ,
                [$on, $on, ...$among, ...$bindings, $on, $on, ...$among],
            )
            ->selectRaw("customer_id, {$sums}", $bounds)
            ->where('open_then', '>', 0)
            ->groupBy('customer_id');
    }

    /**
     * The sum of each column, the columns being those of AgeBand.
     *
     * @param  list<string>  $names
     * @return array{string, list<string>} columns of a query, and the days between which charges of each fall due
     */
    private static function sums(CarbonImmutable $day, array $names): array
    {
        [$sums, $bounds, $last] = [[], [], '9999-12-31'];

        foreach (AgeBand::cases() as $i => $band) {
            if ($band === AgeBand::UnusedCredit) {
                $sums[] = "CAST(SUM(IF(kind = 'credit', -open_then, 0)) AS SIGNED) AS {$names[$i]}";

                continue;
            }

            $first = $band->mostDaysLate() === PHP_INT_MAX
                    ? '0001-01-01'
                    : $day->subDays($band->mostDaysLate())->format('Y-m-d');
            $due = "kind = 'charge' AND due_date BETWEEN ? AND ?";
            $sums[] = "CAST(SUM(IF({$due}, open_then, 0)) AS SIGNED) AS {$names[$i]}";
            array_push($bounds, $first, $last);
            $last = CarbonImmutable::parse($first)->subDay()->format('Y-m-d');
        }

        return [implode(', ', $sums), $bounds];
    }

    /** @return array{string, list<string>} */
    private static function openThen(CarbonImmutable $day): array
    {
        $since = static fn (
            string $side,
        ): string => "(SELECT COALESCE(SUM(a.amount), 0) FROM allocations a WHERE a.{$side} = open_items.document_id "
            .'AND a.business_date > ?)';

        return [
            "`open` + IF(kind = 'charge', {$since('charge_id')}, {$since('credit_id')})",
            [$day->format('Y-m-d'), $day->format('Y-m-d')],
        ];
    }
}
