<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * An item that the customer disputes: it is owed still, and no finance charge, call or reminder is about it until that
 * is settled; statements say so. Every dispute and its end stays on record.
 */
final class DisputeItem
{
    public function __construct(private readonly Ledger $ledger, private readonly House $house)
    {
    }

    /** @throws Refused not_open, reason_missing, disputed */
    public function begin(int $customer, int $item, string $reason, Staff $by): void
    {
        $reason !== '' || throw Refused::because('reason_missing', 'Write what they say is wrong: that is kept.');

        DB::transaction(function () use ($customer, $item, $reason, $by): void {
            $this->ledger->lock($customer);
            OpenItemRecord::query()->where('customer_id', $customer)->where('document_id', $item)
                ->where('kind', ItemKind::Charge)->where('open', '>', 0)->exists()
                || throw Refused::because('not_open', 'Nothing of it is open on this account.');
            self::running()->where('document_id', $item)->exists()
                && throw Refused::because('disputed', 'It is disputed already.');
            DB::table('disputes')->insert([
                'document_id' => $item,
                'customer_id' => $customer,
                'reason' => mb_substr($reason, 0, 255),
                'begun_by' => $by->id,
                'begun_on' => ShopTime::today()->format('Y-m-d'),
            ]);
        }, 3);
    }

    /** @throws Refused not_disputed */
    public function end(int $customer, int $item, string $outcome, Staff $by): void
    {
        DB::transaction(function () use ($customer, $item, $outcome, $by): void {
            $this->ledger->lock($customer);
            self::running()->where('customer_id', $customer)->where('document_id', $item)->update([
                'ended_by' => $by->id,
                'ended_on' => ShopTime::today()->format('Y-m-d'),
                'outcome' => mb_substr($outcome, 0, 255),
            ]) === 1 || throw Refused::because('not_disputed', 'It is not disputed.');
        }, 3);
    }

    /**
     * What was disputed on a day.
     *
     * @return array<int, string> reasons by document
     */
    public static function on(CarbonImmutable $day, ?int $customer = null): array
    {
        return DB::table('disputes')
            ->where('begun_on', '<=', $day->format('Y-m-d'))
            ->where(static fn ($open) => $open->whereNull('ended_on')
                ->orWhere('ended_on', '>', $day->format('Y-m-d')))
            ->when($customer !== null, static fn ($all) => $all->where('customer_id', $customer))
            ->pluck('reason', 'document_id')
            ->map(static fn (mixed $reason): string => is_string($reason) ? $reason : '')
            ->all();
    }

    /** @return array<int, Money> what of each account is late now and disputed, by customer */
    public function late(CarbonImmutable $day): array
    {
        $late = [];

        foreach (
            DB::table('disputes as p')
                ->join('open_items as o', 'o.document_id', '=', 'p.document_id')
                ->whereNull('p.ended_on')
                ->where('o.due_date', '<', $day->format('Y-m-d'))
                ->groupBy('o.customer_id')
                ->selectRaw('o.customer_id, SUM(o.open) AS late')
                ->get() as $row
        ) {
            $late[(int) $row->customer_id] = $this->house->money((int) $row->late);
        }

        return $late;
    }

    private static function running(): Builder
    {
        return DB::table('disputes')->whereNull('ended_on');
    }
}
