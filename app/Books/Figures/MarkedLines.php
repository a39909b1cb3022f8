<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Support\Report\Period;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Lines that reports look for among all others: what came back, discounts and prices by hand, what went below cost or
 * the lowest price. Which they are is found with LedgerDays for the documents that the series say, and in the lines for
 * those that came since. Proved against the lines.
 */
final class MarkedLines
{
    public const BACK = 'back';

    public const BY_HAND = 'by_hand';

    public const BELOW = 'below';

    public const KINDS = [self::BACK, self::BY_HAND, self::BELOW];

    /**
     * Lines as `l` with their documents as `d`, of sales in a time.
     *
     * @param  int|null  $first so many, the earliest; null: all
     */
    public static function of(string $kind, Period $period, ?int $first = null): Builder
    {
        $marked = DB::table('marked_lines')
            ->where('kind', $kind)
            ->whereBetween('business_date', $period->dates())
            ->when($first !== null, static fn (Builder $some) => $some
                ->orderBy('business_date')->orderBy('document_id')->orderBy('position')->limit($first ?? 0))
            ->select(['document_id', 'position']);

        foreach (LedgerDays::behind() as $series) {
            $marked->unionAll(self::among($kind)
                ->where('d.kind', $series->kind)
                ->where('d.number', '>', $series->summed)
                ->whereBetween('d.business_date', $period->dates())
                ->select(['l.document_id', 'l.position']));
        }

        return DB::query()
            ->fromSub($marked, 'm')
            ->join('document_lines as l', static fn ($join) => $join
                ->on('l.document_id', '=', 'm.document_id')
                ->on('l.position', '=', 'm.position'))
            ->join('documents as d', 'd.id', '=', 'm.document_id');
    }

    private static function among(string $kind): Builder
    {
        $lines = Posted::lines()->whereIn('d.purpose', SoldDays::purposes());

        return match ($kind) {
            self::BACK => $lines->where('l.direction', 'back'),
            self::BELOW => $lines->where('l.direction', 'out')->whereNotNull('l.department_id')
                ->where(static fn (Builder $any) => $any
                    ->whereColumn('l.net', '<', 'l.cost')
                    ->orWhereIn('l.approval_id', DB::table('approvals')->where('what', 'below_floor')->select('id'))),
            default => $lines->where('l.direction', 'out')->whereNotNull('l.department_id')
                ->where(static fn (Builder $any) => $any
                    ->where('l.line_discount', '>', 0)
                    ->orWhere('l.slip_discount', '>', 0)
                    ->orWhere('l.price_rule', PriceRule::Typed->value)),
        };
    }

    /** Adds what there is of it among documents of a series. Inside the transaction in which the series says so. */
    public static function add(string $series, int $after, int $until): void
    {
        foreach (self::KINDS as $kind) {
            $rows = self::among($kind)
                ->where('d.kind', $series)
                ->where('d.number', '>', $after)
                ->where('d.number', '<=', $until)
                ->selectRaw("'{$kind}', d.business_date, l.document_id, l.position");
            DB::insert(
                'INSERT INTO marked_lines (kind, business_date, document_id, position) '.$rows->toSql(),
                $rows->getBindings(),
            );
        }
    }

    /** @return int lines of documents that the sums know that are marked wrongly, or not */
    public static function wrong(string $kind): int
    {
        $rows = self::among($kind)
            ->join('series as s', 's.kind', '=', 'd.kind')
            ->whereColumn('d.number', '<=', 's.summed')
            ->selectRaw('l.document_id, l.position, d.business_date, 1 AS n')
            ->unionAll(DB::table('marked_lines')->where('kind', $kind)
                ->selectRaw('document_id, position, business_date, -1'));

        return DB::query()
            ->fromSub(
                DB::query()->fromSub($rows, 'both_sides')->groupBy('document_id', 'position', 'business_date')
                    ->havingRaw('SUM(n) <> 0')->select('document_id'),
                'wrong',
            )
            ->count();
    }
}
