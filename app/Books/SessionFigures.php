<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What the documents of a drawer's session come to; what sets the drawer itself is apart from what was taken in it. */
final class SessionFigures
{
    public function __construct(private readonly House $house)
    {
    }

    /**
     * What was taken in and handed out, by the journals: change, rounding and refunds are in it with their signs. A
     * cheque that is handed out is the house's own, of no drawer; one handed back was in it.
     *
     * @param  list<TenderKind>  $ways
     * @return array<string, array{in: Money, out: Money}> by way of paying
     */
    public function moved(int $session, array $ways): array
    {
        $none = $this->house->money(0);
        $by = [];

        foreach ($ways as $way) {
            $by[Accounts::tender($way)] = $way->value;
        }

        $moved = array_fill_keys(array_values($by), ['in' => $none, 'out' => $none]);

        foreach (
            $this->taken($session)
                ->join('journal_lines as j', 'j.document_id', '=', 'd.id')
                ->whereIn('j.account', array_keys($by))
                ->groupBy('j.account')
                ->selectRaw(
                    'j.account, SUM(j.debit) AS taken, SUM(IF(j.account = ? AND d.purpose <> ?, 0, j.credit)) AS given',
                    [Accounts::tender(TenderKind::Cheque), Purpose::ReceiptReversed->value],
                )
                ->get() as $row
        ) {
            $moved[$by[(string) $row->account]] = [
                'in' => $this->house->money((int) $row->taken),
                'out' => $this->house->money((int) $row->given),
            ];
        }

        return $moved;
    }

    /**
     * What else was paid with, of which there is nothing to count.
     *
     * @param  list<TenderKind>  $ways
     * @return array<string, Money> by way of paying; only what was used
     */
    public function tendered(int $session, array $ways): array
    {
        $tendered = [];

        foreach (
            $this->taken($session)
                ->join('document_tenders as t', 't.document_id', '=', 'd.id')
                ->whereIn('t.kind', array_column($ways, 'value'))
                ->groupBy('t.kind')
                ->selectRaw("t.kind, SUM(IF(d.kind IN ('credit_note', 'refund'), -t.amount, t.amount)) AS amount")
                ->get() as $row
        ) {
            $tendered[(string) $row->kind] = $this->house->money((int) $row->amount);
        }

        return $tendered;
    }

    public function count(int $session): int
    {
        return $this->taken($session)->count();
    }

    /**
     * What set the drawer: float, takings to the safe, what was over or short.
     *
     * @return array<string, Money> by purpose and way, "till_short cash"
     */
    public function set(int $session): array
    {
        $set = [];

        foreach (
            DB::table('documents as d')
                ->join('document_tenders as t', 't.document_id', '=', 'd.id')
                ->where('d.session_id', $session)
                ->whereIn('d.purpose', array_column(Purpose::settingDrawers(), 'value'))
                ->groupBy('d.purpose', 't.kind')
                ->selectRaw('d.purpose, t.kind, SUM(t.amount) AS amount')
                ->get() as $row
        ) {
            $set["{$row->purpose} {$row->kind}"] = $this->house->money((int) $row->amount);
        }

        return $set;
    }

    private function taken(int $session): Builder
    {
        return DB::table('documents as d')
            ->where('d.session_id', $session)
            ->whereNotIn('d.purpose', array_column(Purpose::settingDrawers(), 'value'));
    }
}
