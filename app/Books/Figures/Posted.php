<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Illuminate\Contracts\Database\Query\Expression;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/**
 * What is posted, for who reads figures out of it: documents as `d`, with their lines as `l`, journals as `j`, tenders
 * as `t` or taxes as `x`. Rooms join their own rows to these and name no table of the books.
 */
final class Posted
{
    public static function documents(): Builder
    {
        return DB::table('documents as d');
    }

    public static function lines(): Builder
    {
        return self::documents()->join('document_lines as l', 'l.document_id', '=', 'd.id');
    }

    /** Lines of what belonged to somebody else, as `l`, and whose it was, as `c`. */
    public static function consigned(): Builder
    {
        return self::lines()->join('document_consigned as c', static fn (JoinClause $join) => $join
            ->on('c.document_id', '=', 'l.document_id')
            ->on('c.position', '=', 'l.position'));
    }

    /** A column beside a line: its tax in all, minor units, as `tax`. */
    public static function lineTax(): Expression
    {
        return DB::raw('(SELECT COALESCE(SUM(x.amount), 0) FROM document_line_taxes x WHERE x.document_id = '
            .'l.document_id AND x.position = l.position) AS tax');
    }

    public static function journal(): Builder
    {
        return self::documents()->join('journal_lines as j', 'j.document_id', '=', 'd.id');
    }

    public static function tenders(): Builder
    {
        return self::documents()->join('document_tenders as t', 't.document_id', '=', 'd.id');
    }

    public static function taxes(): Builder
    {
        return self::documents()->join('document_taxes as x', 'x.document_id', '=', 'd.id');
    }

    /** The sum of something over the rows of a query, as of some of them. */
    public static function summed(Builder $rows, string $what): int
    {
        return (int) DB::query()->fromSub($rows, 'these')->sum(DB::raw($what));
    }

    /** The number of a document that another one names, as a column. */
    public static function labelOf(string $column): Builder
    {
        return DB::table('documents as other')->whereColumn('other.id', $column)->select('other.label');
    }

    /** Whether a document was settled by a way, as a condition on it. */
    public static function tenderOf(string $way): Builder
    {
        return DB::table('document_tenders as tt')
            ->whereColumn('tt.document_id', 'd.id')
            ->where('tt.kind', $way)
            ->selectRaw('1');
    }

    /** Documents that are narrowed already, with their tenders as `t`. */
    public static function withTenders(Builder $documents): Builder
    {
        return $documents->join('document_tenders as t', 't.document_id', '=', 'd.id');
    }
}
