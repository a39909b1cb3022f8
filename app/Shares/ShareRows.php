<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Shares\CommissionRate;
use Elmstone\Core\Shares\EarnedAt;
use Elmstone\Core\Shares\Part;
use Elmstone\Core\Shares\PersonShare;
use Elmstone\Core\Shares\RateOf;
use Elmstone\Support\Report\Period;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** Who sold the lines of documents, as it was posted. */
final class ShareRows
{
    /**
     * @param  list<int>  $documents
     * @return array<string, non-empty-list<PersonShare>> by line, "12:3" for the third of document 12; below zero where
     *     it came back
     */
    public static function of(array $documents, Currency $currency): array
    {
        $shares = [];
        $rows = $documents === []
            ? []
            : DB::table('document_shares')
                ->whereIn('document_id', $documents)
                ->orderBy('document_id')
                ->orderBy('position')
                ->orderBy('place')
                ->get();

        foreach ($rows as $row) {
            $shares["{$row->document_id}:{$row->position}"][] = new PersonShare(
                Part::of((string) $row->staff_id, Percentage::of((string) $row->percent)),
                Money::ofMinor((int) $row->net, $currency),
                new CommissionRate(
                    Percentage::of((string) $row->rate),
                    RateOf::from((string) $row->rate_of),
                    EarnedAt::from((string) $row->earned_at),
                ),
                Money::ofMinor((int) $row->commission, $currency),
            );
        }

        return $shares;
    }

    /** What each person sold in a time: staff_id, net, commission, sales. A document is of one day. */
    public static function within(Period $period): Builder
    {
        $days = DB::table('document_shares')
            ->whereBetween('business_date', $period->dates())
            ->groupBy('business_date', 'staff_id')
            ->selectRaw('staff_id, SUM(net) AS net, SUM(commission) AS commission, '
                .'COUNT(DISTINCT document_id) AS sales');

        return DB::query()
            ->fromSub($days, 'days')
            ->groupBy('staff_id')
            ->selectRaw('staff_id, SUM(net) AS net, SUM(commission) AS commission, SUM(sales) AS sales');
    }

    /** Lines of documents, as `l`, with who sold them as `s`. */
    public static function joined(Builder $lines): Builder
    {
        return $lines->join('document_shares as s', static fn (JoinClause $join) => $join
            ->on('s.document_id', '=', 'l.document_id')
            ->on('s.position', '=', 'l.position'));
    }
}
