<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Core\Forecast\OpenInvoice;
use Elmstone\Core\Forecast\PaidInvoice;
use Elmstone\Core\Forecast\Payer;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\ForecastsPayers;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * How each account paid in the twelve months before a day, what it promised and kept, and what was open as the day
 * began: all as it was known then. Parts of payment plans are payers of their own, "customer plan".
 */
final class PayingHabits implements ForecastsPayers
{
    public function __construct(private readonly House $house)
    {
    }

    public function payers(CarbonImmutable $asOf): array
    {
        $open = $this->open($asOf);
        $paid = $this->paid($asOf);
        $promises = $this->promises($asOf);
        $payers = [];

        foreach (array_keys($open + $paid) as $id) {
            [$kept, $made] = $promises[(int) $id] ?? [0, 0];
            $payers[] = new Payer(
                (string) $id, $paid[$id]['paid'] ?? [], $open[$id] ?? [], $kept, $made, $paid[$id]['invoices'] ?? 0,
            );
        }

        return $payers;
    }

    public function came(CarbonImmutable $asOf, CarbonImmutable $from, CarbonImmutable $until): Money
    {
        return $this->house->money((int) $this->payments()
            ->where('o.business_date', '<', $asOf->format('Y-m-d'))
            ->whereBetween('a.business_date', [$from->format('Y-m-d'), $until->format('Y-m-d')])
            ->sum('a.amount'));
    }

    /** What payments were set against charges, and perhaps taken back again. */
    private function payments(): Builder
    {
        return DB::table('allocations as a')
            ->join('open_items as o', 'o.document_id', '=', 'a.charge_id')
            ->join('open_items as c', 'c.document_id', '=', 'a.credit_id')
            ->where('c.purpose', 'payment');
    }

    /** @return array<string, array{paid: list<PaidInvoice>, invoices: int}> by payer */
    private function paid(CarbonImmutable $asOf): array
    {
        [$paid, $invoices] = [[], []];
        $rows = $this->payments()
            ->where('a.business_date', '<', $asOf->format('Y-m-d'))
            ->where('a.business_date', '>=', $asOf->subYearNoOverflow()->format('Y-m-d'))
            ->groupByRaw(self::payer().', a.charge_id, DATEDIFF(a.business_date, o.due_date)')
            ->havingRaw('SUM(a.amount) > 0')
            ->orderBy('a.charge_id')
            ->selectRaw(self::payer().' AS payer, a.charge_id, DATEDIFF(a.business_date, o.due_date) AS days, '
                .'SUM(a.amount) AS amount')
            ->get();

        foreach ($rows as $row) {
            $paid[(string) $row->payer][] = new PaidInvoice(
                (int) $row->days, $this->house->money((int) $row->amount),
            );
            $invoices[(string) $row->payer][(int) $row->charge_id] = true;
        }

        $habits = [];

        foreach ($paid as $payer => $habit) {
            $habits[$payer] = ['paid' => $habit, 'invoices' => count($invoices[$payer])];
        }

        return $habits;
    }

    /** @return array<string, list<OpenInvoice>> by payer */
    private function open(CarbonImmutable $asOf): array
    {
        $day = $asOf->format('Y-m-d');
        $promised = $this->promised($asOf);
        $open = [];
        $rows = DB::table('open_items as o')
            ->where('o.kind', 'charge')
            ->where('o.business_date', '<', $day)
            ->where(static fn (Builder $any) => $any->where('o.open', '>', 0)->orWhere('o.moved_on', '>=', $day))
            ->orderBy('o.customer_id')
            ->orderBy('o.due_date')
            ->orderBy('o.document_id')
            ->selectRaw(
                self::payer().' AS payer, o.customer_id, o.label, o.due_date, o.open + COALESCE((SELECT SUM(a.amount) '
                    .'FROM allocations a WHERE a.charge_id = o.document_id AND a.business_date >= ?), 0) AS open_then',
                [$day],
            )
            ->get();

        foreach ($rows as $row) {
            if ((int) $row->open_then > 0) {
                $open[(string) $row->payer][] = new OpenInvoice(
                    (string) $row->label,
                    CarbonImmutable::parse((string) $row->due_date),
                    $this->house->money((int) $row->open_then),
                    $promised[(int) $row->customer_id] ?? null,
                );
            }
        }

        return $open;
    }

    private static function payer(): string
    {
        return "CONCAT(o.customer_id, IF(o.purpose = 'plan_part', ' plan', ''))";
    }

    /** @return array<int, CarbonImmutable> the day each said it would pay, still to come, by customer */
    private function promised(CarbonImmutable $asOf): array
    {
        return DB::table('calls')
            ->whereNotNull('promised_on')
            ->where('called_on', '<', $asOf->format('Y-m-d'))
            ->where('promised_on', '>=', $asOf->format('Y-m-d'))
            ->orderBy('id')
            ->pluck('promised_on', 'customer_id')
            ->map(static fn (mixed $day): CarbonImmutable => CarbonImmutable::parse(is_string($day) ? $day : 'today'))
            ->all();
    }

    /** @return array<int, array{int, int}> promises kept and made whose day was over, by customer */
    private function promises(CarbonImmutable $asOf): array
    {
        $promises = [];

        foreach (
            DB::table('calls as k')
                ->whereNotNull('k.promised')
                ->where('k.promised_on', '<', $asOf->format('Y-m-d'))
                ->groupBy('k.customer_id')
                ->selectRaw('k.customer_id, COUNT(*) AS made, SUM(k.promised <= COALESCE((SELECT SUM(c.amount) FROM '
                    ."open_items c WHERE c.customer_id = k.customer_id AND c.kind = 'credit' AND c.purpose = 'payment' "
                    .'AND c.business_date BETWEEN k.called_on AND k.promised_on), 0)) AS kept')
                ->get() as $row
        ) {
            $promises[(int) $row->customer_id] = [(int) $row->kept, (int) $row->made];
        }

        return $promises;
    }
}
