<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Shares\CommissionRate;
use Elmstone\Core\Shares\EarnedAt;
use Elmstone\Core\Shares\RateOf;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** The rates of commission that hold on a day: a person's, else their goods' department's, else the house's. */
final readonly class Rates
{
    /** @param  array<string, CommissionRate>  $rates "person 3", "department 7", "house" */
    private function __construct(private array $rates, private EarnedAt $earned)
    {
    }

    public static function on(CarbonImmutable $day): self
    {
        $on = $day->format('Y-m-d');
        [$earned, $rates] = [EarnedAt::Invoice, []];

        // One statement for both, since every posting asks: there is a row also where there is no rate.
        foreach (
            DB::query()
                ->fromSub(DB::table('commission_terms')->selectRaw('MAX(earned_at) AS earned_at'), 't')
                ->leftJoin('commission_rates as r', static fn (JoinClause $join) => $join
                    ->where('r.from', '<=', $on)
                    ->where(static fn ($either) => $either->whereNull('r.until')->orWhere('r.until', '>=', $on)))
                ->get(['t.earned_at', 'r.staff_id', 'r.department_id', 'r.rate', 'r.rate_of']) as $row
        ) {
            $earned = EarnedAt::tryFrom((string) $row->earned_at) ?? EarnedAt::Invoice;
            $row->rate === null || ($rates[self::whose($row->staff_id, $row->department_id)] = new CommissionRate(
                Percentage::of((string) $row->rate),
                RateOf::from((string) $row->rate_of),
                $earned,
            ));
        }

        return new self($rates, $earned);
    }

    public function of(int $person, int $department): CommissionRate
    {
        return $this->rates["person {$person}"]
            ?? $this->rates["department {$department}"]
            ?? $this->rates['house']
            ?? CommissionRate::none($this->earned);
    }

    private static function whose(mixed $person, mixed $department): string
    {
        return match (true) {
            $person !== null => "person {$person}",
            $department !== null => "department {$department}",
            default => 'house',
        };
    }
}
