<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Shares\Earned;
use Elmstone\Core\Shares\EarnedAt;
use Elmstone\Receivables\Ledger\PaidOf;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Period;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use stdClass;

/**
 * What somebody earned by what they sold. What comes back takes it back on its day; of what was sold and charged, where
 * it is earned by payment, as much is earned as is paid. docs/rules.md, "Shares".
 */
final class EarnedCommission
{
    public function __construct(private readonly House $house)
    {
    }

    /** All that was earned up to a day, what was taken back taken off, whatever was paid out of it. */
    public function until(int $person, CarbonImmutable $day): Money
    {
        $sum = $this->house->money((int) $this->atOnce($person)
            ->where('s.business_date', '<=', $day->format('Y-m-d'))
            ->sum('s.commission'));
        // What was settled before the day is earned whole; what still moves is reckoned by itself.
        $sum = $sum->plus($this->house->money((int) $this->byPayment($person)
            ->where('s.business_date', '<=', $day->format('Y-m-d'))
            ->whereNotIn('s.document_id', PaidOf::movingSince($day->addDay()))
            ->sum('s.commission')));
        $moving = $this->moving($person, $day->addDay(), $day);

        foreach ($moving as $row) {
            $sum = $sum->plus($this->earned($row, $row->paid, $day));
        }

        return $sum;
    }

    /** @return list<StatementLine> what was earned and taken back in a period, by day */
    public function lines(int $person, Period $period): array
    {
        [$from, $until] = $period->dates();
        $lines = $this->atOnce($person)
            ->whereBetween('s.business_date', [$from, $until])
            ->where(static fn ($any) => $any->where('s.commission', '<>', 0)->orWhere('s.net', '<>', 0))
            ->get(self::columns())
            ->map(fn (stdClass $row): StatementLine => $this->line(
                $row,
                (string) $row->business_date,
                $this->house->money((int) $row->commission),
                $row->direction === 'back' ? 'came back' : 'sold',
            ))
            ->all();

        foreach ($this->moving($person, $period->from, $period->until) as $row) {
            array_push($lines, ...$this->steps($row, $period));
        }

        usort($lines, static fn (StatementLine $one, StatementLine $other): int => [
            $one->day->format('Y-m-d'), $one->document, $one->position,
        ] <=> [$other->day->format('Y-m-d'), $other->document, $other->position]);

        return $lines;
    }

    /** @return list<StatementLine> what was earned of a line by each day on which something was paid of it */
    private function steps(stdClass $row, Period $period): array
    {
        $days = array_unique([(string) $row->business_date, ...array_column($row->paid, 0)]);
        sort($days);
        $lines = [];
        $before = $this->house->money(0);

        foreach ($days as $day) {
            $on = CarbonImmutable::parse($day);
            $now = $this->earned($row, $row->paid, $on);
            $step = $now->minus($before);
            $before = $now;

            if ($period->has($on) && (! $step->isZero() || $day === (string) $row->business_date)) {
                $lines[] = $this->line($row, $day, $step, $this->paidWords($row, $on), $day === $row->business_date);
            }
        }

        return $lines;
    }

    private function paidWords(stdClass $row, CarbonImmutable $on): string
    {
        $paid = $this->paid($row, $row->paid, $on);
        $total = $this->house->money((int) $row->total);

        return $paid->exceeds($total) || $paid->equals($total)
            ? 'paid'
            : "{$paid->toString()} of {$total->toString()} paid";
    }

    /** @param  list<array{string, int}>  $paid */
    private function earned(stdClass $row, array $paid, CarbonImmutable $on): Money
    {
        return Earned::of(
            $this->house->money((int) $row->commission),
            $this->paid($row, $paid, $on),
            $this->house->money((int) $row->total),
        );
    }

    /**
     * What of its invoice was paid by a day: at once, and since.
     *
     * @param  list<array{string, int}>  $paid
     */
    private function paid(stdClass $row, array $paid, CarbonImmutable $on): Money
    {
        $sum = (int) $row->total - (int) $row->on_account;

        foreach ($paid as [$day, $amount]) {
            $sum += $day <= $on->format('Y-m-d') ? $amount : 0;
        }

        return $this->house->money($sum);
    }

    /** What is earned with its document: all that is not earned by payment, what was paid at once, what came back. */
    private function atOnce(int $person): Builder
    {
        return $this->shares($person)->where(static fn ($any) => $any
            ->where('s.earned_at', EarnedAt::Invoice->value)
            ->orWhere('l.direction', 'back')
            ->orWhere('d.on_account', 0));
    }

    private function byPayment(int $person): Builder
    {
        return $this->shares($person)
            ->where('s.earned_at', EarnedAt::Payment->value)
            ->where('l.direction', 'out')
            ->where('d.on_account', '<>', 0);
    }

    /** @return Collection<int, stdClass> lines earned by payment of which something moved on a day or after it */
    private function moving(int $person, CarbonImmutable $since, CarbonImmutable $until): Collection
    {
        $rows = $this->byPayment($person)
            ->where('s.business_date', '<=', $until->format('Y-m-d'))
            ->whereIn('s.document_id', PaidOf::movingSince($since))
            ->get(self::columns());
        $paid = PaidOf::each(array_values(array_unique(array_map(intval(...), $rows->pluck('document_id')->all()))));

        return $rows->each(static function (stdClass $row) use ($paid): void {
            $row->paid = $paid[(int) $row->document_id] ?? [];
        });
    }

    private function shares(int $person): Builder
    {
        return Posted::lines()
            ->join('document_shares as s', static fn (JoinClause $join) => $join
                ->on('s.document_id', '=', 'l.document_id')
                ->on('s.position', '=', 'l.position'))
            ->where('s.staff_id', $person);
    }

    /** @return list<string> */
    private static function columns(): array
    {
        return [
            's.document_id', 's.position', 's.percent', 's.business_date', 's.net', 's.rate', 's.rate_of',
            's.commission', 'd.label', 'd.customer_name', 'd.total', 'd.on_account', 'l.direction', 'l.description',
        ];
    }

    /** @param  bool  $isSold whether the goods themselves stand in it, not only a payment */
    private function line(stdClass $row, string $day, Money $earned, string $why, bool $isSold = true): StatementLine
    {
        return new StatementLine(
            CarbonImmutable::parse($day),
            (int) $row->document_id,
            (int) $row->position,
            (string) $row->label,
            (string) $row->customer_name,
            (string) $row->description,
            (string) $row->percent,
            $this->house->money($isSold ? (int) $row->net : 0),
            (string) $row->rate,
            (string) $row->rate_of,
            $earned,
            $why,
        );
    }
}
