<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Days;
use Elmstone\Shop\House;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The balance over time as a step line, documents as points on it; each point reads out when it is pointed at or
 * focused. Beside it the limit as a dashed line.
 */
final readonly class AccountLine
{
    private const WIDTH = 1220;

    private const HEIGHT = 170;

    private const LEFT = 64;

    private const MONTHS = 14;

    /** Of more days with documents than this, the busiest are drawn as points. */
    private const MOST_POINTS = 90;

    public function __construct(private House $house)
    {
    }

    public function svg(HouseAccount $account, CarbonImmutable $until): string
    {
        $from = $until->subMonths(self::MONTHS)->startOfDay();
        $before = (int) DB::table('open_items')
            ->where('customer_id', $account->customer_id)
            ->where('business_date', '<', $from->format('Y-m-d'))
            ->sum(DB::raw("IF(kind = 'charge', amount, -amount)"));
        $days = DB::select(
            "SELECT business_date, SUM(IF(kind = 'charge', amount, -amount)) AS moved, COUNT(*) AS n, MIN(label) AS "
                .'label FROM open_items WHERE customer_id = ? AND business_date BETWEEN ? AND ? GROUP BY '
                .'business_date ORDER BY business_date',
            [$account->customer_id, $from->format('Y-m-d'), $until->format('Y-m-d')],
        );

        return $this->drawn($this->steps($days, $before, $from), $before, $from, $until, $account->credit_limit);
    }

    /**
     * @param  array<stdClass>  $days
     * @return list<array{int, int, string}> day since the beginning, balance after it, words
     */
    private function steps(array $days, int $balance, CarbonImmutable $from): array
    {
        $steps = [];

        foreach ($days as $day) {
            $moved = (int) $day->moved;
            $balance += $moved;
            $on = CarbonImmutable::parse((string) $day->business_date);
            $steps[] = [
                Days::between($from, $on),
                $balance,
                Show::date($on)
                .': '
                .((int) $day->n === 1 ? $day->label : "{$day->n} documents")
                .' '
                .($moved < 0 ? '' : '+')
                .Show::money($this->house->money($moved))
                .', balance '
                .Show::money($this->house->money($balance)),
            ];
        }

        return $steps;
    }

    /** @param  list<array{int, int, string}>  $steps */
    private function drawn(
        array $steps,
        int $before,
        CarbonImmutable $from,
        CarbonImmutable $until,
        Money $creditLimit,
    ): string {
        $limit = $creditLimit->minor;
        $balances = [0, $before, ...array_column($steps, 1)];
        [$low, $high] = [min($balances), max(max($balances), 1)];
        $high = $limit > 0 && $limit < $high * 3 ? max($high, $limit) : $high;
        $length = max(1, Days::between($from, $until));
        $x = static fn (int $day): int => self::LEFT + intdiv($day * (self::WIDTH - self::LEFT - 10), $length);
        $y = static fn (int $minor): int => 14 + Scale::to(self::HEIGHT - 34, $high - $minor, max(1, $high - $low));
        $path = sprintf('M%d %d', $x(0), $y($before));

        foreach ($steps as [$day, $balance]) {
            $path .= sprintf('H%dV%d', $x($day), $y($balance));
        }

        $body = $this->frame($x, $y, $from, $until, $low, $high, $limit);
        $body .= sprintf('<path d="%sH%d" fill="none" stroke="#26221d" stroke-width="1.6"/>', $path, $x($length));

        foreach (self::points($steps) as [$day, $balance, $words]) {
            $body .= sprintf(
                '<circle cx="%d" cy="%d" r="3" fill="#fdfcf9" stroke="#1e6a6c" stroke-width="1.5" tabindex="0" '
                    .'data-reads="%s"><title>%s</title></circle>',
                $x($day),
                $y($balance),
                e($words),
                e($words),
            );
        }

        $last = $steps === [] ? $before : $steps[count($steps) - 1][1];

        return sprintf(
            '<svg class="line-svg" viewBox="0 0 %d %d" role="group" aria-label="Balance from %s to %s, now '
                .'%s">%s</svg>',
            self::WIDTH,
            self::HEIGHT,
            Show::date($from),
            Show::date($until),
            Show::money($this->house->money($last)),
            $body,
        );
    }

    /**
     * @param  callable(int): int  $x
     * @param  callable(int): int  $y
     */
    private function frame(
        callable $x,
        callable $y,
        CarbonImmutable $from,
        CarbonImmutable $until,
        int $low,
        int $high,
        int $limit,
    ): string {
        $body = '';
        $marks = array_unique([0, $low, $high]);

        foreach ($marks as $mark) {
            $body .= sprintf(
                '<line x1="%d" x2="%d" y1="%3$d.5" y2="%3$d.5" stroke="#d8d2c6"/><text x="%4$d" y="%5$d" '
                    .'text-anchor="end">%6$s</text>',
                self::LEFT,
                self::WIDTH - 10,
                $y($mark),
                self::LEFT - 8,
                $y($mark) + 4,
                Show::money($this->house->money($mark)),
            );
        }

        if ($limit <= $high && $limit > 0 && ! in_array($limit, $marks, true)) {
            $body .= sprintf(
                '<text x="%d" y="%d" text-anchor="end" class="limit">limit %s</text>',
                self::WIDTH - 10,
                $y($limit) - 4,
                Show::money($this->house->money($limit)),
            );
        }

        if ($limit <= $high && $limit > 0) {
            $body .= sprintf(
                '<line x1="%d" x2="%d" y1="%3$d.5" y2="%3$d.5" stroke="#26221d" stroke-dasharray="6 4"/>',
                self::LEFT,
                self::WIDTH - 10,
                $y($limit),
            );
        }

        for (
            $month = $from->addMonth()->startOfMonth(), $i = 0;
            $month->lessThan($until);
            $month = $month->addMonth(), $i++
        ) {
            $at = $x(Days::between($from, $month));
            $body .= sprintf(
                '<line x1="%1$d.5" x2="%1$d.5" y1="%2$d" y2="%3$d" stroke="#d8d2c6"/>',
                $at,
                self::HEIGHT - 20,
                self::HEIGHT - 16,
            );
            $body
                .= $i % 2 === 0
                    ? sprintf(
                        '<text x="%d" y="%d" text-anchor="middle">%s</text>',
                        $at,
                        self::HEIGHT - 3,
                        $month->format($month->month === 1 ? 'M Y' : 'M'),
                    )
                    : '';
        }

        return $body;
    }

    /**
     * @param  list<array{int, int, string}>  $steps
     * @return list<array{int, int, string}>
     */
    private static function points(array $steps): array
    {
        $every = max(1, intdiv(count($steps) + self::MOST_POINTS - 1, self::MOST_POINTS));

        return array_values(
            array_filter(
                $steps,
                static fn (int $i): bool => $i % $every === 0 || $i === count($steps) - 1,
                ARRAY_FILTER_USE_KEY,
            ),
        );
    }
}
