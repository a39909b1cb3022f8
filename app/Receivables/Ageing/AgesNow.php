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
 * since, and on a new day all of them. A trigger counts what comes to an account's open items, and the count is read
 * before the items are: what comes between is not in the sums and counts for the next asking.
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
        $last = 0;

        do {
            $behind = DB::table('aged_accounts')
                ->where('customer_id', '>', $last)
                ->where(
                    fn (Builder $either) => $either->whereColumn('summed', '<>', 'moves')
                        ->orWhereNull('as_of')
                        ->orWhere('as_of', '<>', $this->day->format('Y-m-d')),
                )
                ->orderBy('customer_id')
                ->limit(self::AT_ONCE)
                ->pluck('moves', 'customer_id')
                ->all();
            $behind === [] || $this->keep($behind);
            $last = array_key_last($behind);
        } while (count($behind) === self::AT_ONCE);
    }

    /** @param  non-empty-array<int, mixed>  $moves by customer, as counted before their items are read */
    private function keep(array $moves): void
    {
        $ageings = iterator_to_array($this->asOf->all($this->day, array_keys($moves)));
        $rows = [];

        foreach ($moves as $customer => $counted) {
            $ageing = $ageings[$customer] ?? null;
            $row = ['customer_id' => $customer, 'summed' => $counted, 'as_of' => $this->day->format('Y-m-d')];

            foreach (AgeBand::cases() as $band) {
                $row[self::column($band)] = $ageing?->in($band) ?? $this->house->money(0);
            }

            $rows[] = [...$row, 'balance' => $ageing->balance ?? $this->house->money(0)];
        }

        // Whoever posts to one of them meanwhile is waited for, and two who wait for each other begin again.
        DB::transaction(static fn () => DB::table('aged_accounts')->upsert($rows, ['customer_id']), 3);
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
