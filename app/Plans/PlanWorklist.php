<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The plans as a list to work through, by what is open of their parts in the receivables ledger. */
final class PlanWorklist
{
    /** Its tabs, and their names. */
    public const TABS = ['due' => 'Next due', 'behind' => 'Behind', 'paid' => 'Paid'];

    private const PAGE = 50;

    /** @return Paginator<int, PlanRow> */
    public function page(string $tab, CarbonImmutable $day): Paginator
    {
        $page = $this->rows($day)
            ->when($tab === 'due', static fn ($query) => $query->having('open_now', '>', 0)->orderBy('next_due'))
            ->when($tab === 'behind', static fn ($query) => $query->having('late', '>', 0)->orderBy('next_due'))
            ->when($tab === 'paid', static fn ($query) => $query->having('open_now', '=', 0)->orderByDesc('p.id'))
            ->simplePaginate(self::PAGE)
            ->withQueryString();
        assert($page instanceof Paginator);

        return $page->through(static fn (stdClass $row): PlanRow => PlanRow::of($row));
    }

    /** @return list<PlanRow> those with a late part, the latest first */
    public function late(CarbonImmutable $day, int $most): array
    {
        return array_values(
            $this->rows($day)
                ->having('late', '>', 0)
                ->orderBy('next_due')
                ->limit($most)
                ->get()
                ->map(static fn (stdClass $row): PlanRow => PlanRow::of($row))
                ->all(),
        );
    }

    private function rows(CarbonImmutable $day): Builder
    {
        return DB::table('plans as p')
            ->join('plan_parts as t', 't.plan_id', '=', 'p.id')
            ->join('open_items as i', 'i.document_id', '=', 't.document_id')
            ->join('customers as c', 'c.id', '=', 'p.customer_id')
            ->groupBy('p.id', 'p.label', 'c.id', 'c.name', 'c.number', 'c.phone', 'c.mail', 'p.principal', 'p.charge')
            ->selectRaw(
                'p.label, c.name, c.number, c.phone, c.mail, p.principal + p.charge AS total, SUM(i.`open`) AS '
                    .'open_now, MIN(IF(i.`open` > 0, t.due, NULL)) AS next_due, SUM(IF(i.`open` > 0 AND t.due < ?, '
                    .'i.`open`, 0)) AS late, COUNT(*) AS parts, SUM(i.`open` = 0) AS met',
                [$day->format('Y-m-d')],
            );
    }
}
