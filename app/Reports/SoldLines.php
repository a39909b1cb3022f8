<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Books\Figures\MarkedLines;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Figures\SoldDays;
use Elmstone\Support\LocalTime;
use Illuminate\Database\Query\Builder;

/** What was sold and what came back, as a report asks for it. */
final class SoldLines
{
    /** Documents of sales as `d`, narrowed. */
    public static function documents(Asked $asked): Builder
    {
        return self::narrowed(Posted::documents(), $asked);
    }

    /** Their lines as `l`, narrowed too. */
    public static function lines(Asked $asked): Builder
    {
        return self::ofLines(Posted::lines(), $asked);
    }

    /**
     * Those among them that are of a kind.
     *
     * @param  int|null  $most the earliest are enough, as days and documents have them; null: all
     */
    public static function marked(string $kind, Asked $asked, ?int $most = null): Builder
    {
        $first = $asked->isNarrow() || $asked->location !== null ? null : $most;

        return self::ofLines(MarkedLines::of($kind, $asked->period, $first), $asked);
    }

    private static function ofLines(Builder $lines, Asked $asked): Builder
    {
        return self::narrowed($lines, $asked)
            ->when($asked->department !== null, static fn (Builder $all) => $all
                ->where('l.department_id', $asked->department))
            ->when($asked->item !== null, static fn (Builder $all) => $all->where('l.item_id', $asked->item));
    }

    private static function narrowed(Builder $query, Asked $asked): Builder
    {
        $query->whereBetween('d.business_date', $asked->period->dates())->whereIn('d.purpose', SoldDays::purposes());
        $asked->location === null || $query->where('d.location_id', $asked->location);
        $asked->till === null || $query->where('d.till_id', $asked->till);
        $asked->person === null || $query->where('d.seller_id', $asked->person);
        $asked->customer === null || $query->where('d.customer_id', $asked->customer);
        $asked->way === null || $query->whereExists(Posted::tenderOf($asked->way->value));

        if ($asked->hours !== null) {
            [$from, $until] = $asked->hours;
            $clock = 'TIME('.LocalTime::sql('d.posted_at', $asked->period).')';
            $query->whereRaw("{$clock} >= ? AND {$clock} < ?", ["{$from}:00", "{$until}:00"]);
        }

        return $query;
    }

    /** A figure of a line, below zero where it came back. */
    public static function signed(string $column): string
    {
        return "SUM(IF(l.direction = 'back', -l.{$column}, l.{$column}))";
    }
}
