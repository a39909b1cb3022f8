<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Carbon\CarbonImmutable;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/** Everything that happened on an account, with the balance after each document. */
final readonly class Activity
{
    public const PAGE = 50;

    public function __construct(private House $house)
    {
    }

    /**
     * The latest first; the running balance is that of the whole account, whatever is left out.
     *
     * @param  string  $kind charge, credit or everything
     * @return list<ActivityRow>
     */
    public function rows(
        int $customer,
        CarbonImmutable $until,
        string $kind = '',
        ?CarbonImmutable $from = null,
        int $most = self::PAGE,
        int $skip = 0,
    ): array {
        $wanted = OpenItemRecord::query()
            ->with('document')
            ->where('customer_id', $customer)
            ->where('business_date', '<=', $until->format('Y-m-d'))
            ->when($from !== null, static fn ($query) => $query->where('business_date', '>=', $from?->format('Y-m-d')))
            ->when(in_array($kind, ['charge', 'credit'], true), static fn ($query) => $query->where('kind', $kind))
            ->orderByDesc('business_date')
            ->orderByDesc('document_id')
            ->limit($most)
            ->offset($skip)
            ->get();

        if ($wanted->isEmpty()) {
            return [];
        }

        $balances = $this->balances($customer, $wanted->last()->business_date ?? $until, $until);

        return array_values(
            $wanted
                ->map(
                    fn (OpenItemRecord $item): ActivityRow => new ActivityRow(
                        $item,
                        $item->signedAmount(),
                        $this->house->money($balances[$item->document_id] ?? 0),
                    ),
                )
                ->all(),
        );
    }

    /** @return array<int, int> the balance after each document of these days, in minor units */
    private function balances(int $customer, CarbonImmutable $from, CarbonImmutable $until): array
    {
        $signed = "IF(kind = 'charge', amount, -amount)";
        $balance = (int) DB::table('open_items')
            ->where('customer_id', $customer)
            ->where('business_date', '<', $from->format('Y-m-d'))
            ->sum(DB::raw($signed));
        $balances = [];

        foreach (
            DB::table('open_items')
                ->where('customer_id', $customer)
                ->whereBetween('business_date', [$from->format('Y-m-d'), $until->format('Y-m-d')])
                ->orderBy('business_date')
                ->orderBy('document_id')
                ->selectRaw("document_id, {$signed} AS moved")
                ->get() as $row
        ) {
            $balance += (int) $row->moved;
            $balances[(int) $row->document_id] = $balance;
        }

        return $balances;
    }
}
