<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Shop\House;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * As of today, from sums that are kept beside the accounts. Whoever asks first sums again those that something came to
 * since, and on a new day all of them. A trigger counts what comes to an account's open items, and the sums say up to
 * which count they are: what comes meanwhile counts for the next asking.
 */
final readonly class AgesNow implements Ages
{
    private const AT_ONCE = 500;

    public function __construct(private AsOf $asOf, private House $house, private CarbonImmutable $day)
    {
        $this->bringUpToDate();
    }

    public function total(): Ageing
    {
        $sums = array_map(static fn (string $column): string => "SUM({$column}) AS {$column}", self::columns());
        $row = $this->kept()->selectRaw(implode(', ', $sums))->first();

        return self::read($row ?? new stdClass, $this->house);
    }

    public function count(): int
    {
        return $this->kept()->count();
    }

    public function sorted(?AgeBand $band): array
    {
        $column = $band === null ? 'balance' : self::column($band);
        $found = $this->kept()
            ->when($band !== null, static fn (Builder $query): Builder => $query->where($column, '<>', 0))
            ->orderByRaw($band === null ? 'balance DESC' : "ABS({$column}) DESC")
            ->orderBy('customer_id')
            ->pluck('customer_id')
            ->all();

        return array_map(intval(...), array_values($found));
    }

    public function of(array $customers): array
    {
        $ageings = [];

        foreach (array_chunk($customers, self::AT_ONCE) as $some) {
            foreach ($this->kept()->whereIn('customer_id', $some)->get() as $row) {
                $ageings[(int) $row->customer_id] = self::read($row, $this->house);
            }
        }

        return $ageings;
    }

    public function where(callable $is): array
    {
        $found = [];

        foreach ($this->kept()->orderBy('customer_id')->get() as $row) {
            $is(self::read($row, $this->house)) && ($found[] = (int) $row->customer_id);
        }

        return $found;
    }

    /** Those that have anything open. */
    private function kept(): Builder
    {
        $any = implode(' OR ', array_map(static fn (string $column): string => "{$column} <> 0", self::columns()));

        return DB::table('aged_accounts')->where('as_of', $this->day->format('Y-m-d'))->whereRaw("({$any})");
    }

    private function bringUpToDate(): void
    {
        $behind = DB::table('aged_accounts')
            ->where(fn (Builder $either): Builder => $this->behind($either))
            ->orderBy('customer_id')
            ->limit(self::AT_ONCE + 1)
            ->pluck('customer_id')
            ->all();
        $some = array_values(array_map(intval(...), $behind));
        // Whoever posts to one of them meanwhile is waited for, and two who wait for each other begin again.
        $some === [] || DB::transaction(fn () => $this->sum(count($some) > self::AT_ONCE ? [] : $some), 3);
    }

    private function behind(Builder $query, string $of = 'aged_accounts'): Builder
    {
        return $query->whereColumn("{$of}.summed", '<>', "{$of}.moves")
            ->orWhereNull("{$of}.as_of")
            ->orWhere("{$of}.as_of", '<>', $this->day->format('Y-m-d'));
    }

    /**
     * In one statement, which sees the count and the items as they stood at one instant.
     *
     * @param  list<int>  $among customers; none: all that are behind
     */
    private function sum(array $among): void
    {
        $columns = self::columns();
        $sums = array_map(static fn (string $column): string => "COALESCE(s.{$column}, 0)", $columns);
        $rows = DB::table('aged_accounts as a')
            ->leftJoinSub($this->asOf->summed($this->day, $among, $columns), 's', 's.customer_id', '=', 'a.customer_id')
            ->where(fn (Builder $either): Builder => $this->behind($either, 'a'))
            ->when($among !== [], static fn (Builder $query): Builder => $query->whereIn('a.customer_id', $among))
            ->selectRaw(
                'a.customer_id, a.moves, ?, '.implode(', ', $sums).', '.implode(' + ', $sums),
                [$this->day->format('Y-m-d')],
            );
        $kept = ['summed', 'as_of', ...$columns, 'balance'];
        $set = array_map(static fn (string $column): string => "{$column} = VALUES({$column})", $kept);
        DB::insert(
            'INSERT INTO aged_accounts (customer_id, '
                .implode(', ', $kept)
                .") {$rows->toSql()} ON DUPLICATE KEY UPDATE "
                .implode(', ', $set),
            $rows->getBindings(),
        );
    }

    /** A row as it is kept, or sums of some. */
    public static function read(stdClass $row, House $house): Ageing
    {
        $columns = [];

        foreach (AgeBand::cases() as $band) {
            $columns[$band->value] = MoneyCast::read($row->{self::column($band)} ?? 0);
        }

        return Ageing::summed($columns, $house->currency());
    }

    /** @return list<string> */
    private static function columns(): array
    {
        return array_map(self::column(...), AgeBand::cases());
    }

    private static function column(AgeBand $band): string
    {
        return match ($band) {
            AgeBand::NotDue => 'not_due',
            AgeBand::To30 => 'to_30',
            AgeBand::To60 => 'to_60',
            AgeBand::To90 => 'to_90',
            AgeBand::Over90 => 'over_90',
            AgeBand::UnusedCredit => 'unused_credit',
        };
    }
}
