<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** What of an account's credits is set against which of its charges. The ledger's own, under its locks. */
final class Allocations
{
    private const ROWS_AT_ONCE = 500;

    /**
     * Sets parts of one credit against charges.
     *
     * @param  array<int, Money>  $parts by the charge's document id
     * @param  array<int, Money>  $discounts what of each is a settlement discount
     *
     * @throws Refused over_allocated, not_open
     */
    public function set(
        HouseAccount $account,
        int $credit,
        array $parts,
        Setting $setting,
        array $discounts = [],
    ): void {
        $parts = array_filter($parts, static fn (Money $amount): bool => ! $amount->isZero());

        if ($parts === []) {
            return;
        }

        $items = $this->itemsOf($account, [$credit, ...array_keys($parts)]);
        $this->assertFits($items, $credit, $parts);
        $days = $this->days($items, $setting->day);
        $rows = [];

        foreach ($parts as $charge => $amount) {
            $rows[] = $this->row(
                [$account->customer_id, $credit, $charge],
                $amount,
                $setting,
                max($days[$credit], $days[$charge]),
                $discounts[$charge] ?? null,
            );
        }

        $this->record($rows);
    }

    /**
     * Takes allocations back, each by a row of its own.
     *
     * @param  iterable<AllocationRecord>  $allocations
     *
     * @throws Refused already_taken_back
     */
    public function takeBack(HouseAccount $account, iterable $allocations, Setting $setting): void
    {
        $rows = [];

        foreach ($allocations as $allocation) {
            if (
                $allocation->takes_back_id !== null
                || AllocationRecord::query()->where('takes_back_id', $allocation->id)->exists()
            ) {
                throw Refused::because('already_taken_back', 'This was taken back already.');
            }

            $between = [$account->customer_id, $allocation->credit_id, $allocation->charge_id];
            $day = max($allocation->business_date->format('Y-m-d'), $setting->day->format('Y-m-d'));
            $rows[] = [
                ...$this->row(
                    $between,
                    $allocation->amount->negated(),
                    $setting,
                    $day,
                    $allocation->discount->negated(),
                ),
                'takes_back_id' => $allocation->id,
            ];
        }

        $this->record($rows);
    }

    /**
     * The day from which something can be set against each item: that of setting, or the item's own where that is
     * later, and not before the last day on which something was taken back from it, as it was full until then. RULES,
     * section 7.
     *
     * @param  Collection<int, OpenItemRecord>  $items
     * @return array<int, string> by document id
     */
    private function days(Collection $items, CarbonImmutable $set): array
    {
        $days = $items
            ->map(
                static fn (OpenItemRecord $item): string => max(
                    $item->business_date->format('Y-m-d'),
                    $set->format('Y-m-d'),
                ),
            )
            ->all();

        foreach (['credit_id', 'charge_id'] as $side) {
            foreach (
                DB::table('allocations')
                    ->whereIn($side, $items->modelKeys())
                    ->whereNotNull('takes_back_id')
                    ->groupBy($side)
                    ->selectRaw("{$side} AS document_id, MAX(business_date) AS day")
                    ->get() as $taken
            ) {
                $days[(int) $taken->document_id] = max($days[(int) $taken->document_id], (string) $taken->day);
            }
        }

        return $days;
    }

    /**
     * @param  array<int>  $documents
     * @return Collection<int, OpenItemRecord> by document id
     */
    private function itemsOf(HouseAccount $account, array $documents): Collection
    {
        return OpenItemRecord::query()
            ->where('customer_id', $account->customer_id)
            ->whereIn('document_id', $documents)
            ->lockForUpdate()
            ->get()
            ->keyBy('document_id');
    }

    /**
     * @param  Collection<int, OpenItemRecord>  $items
     * @param  non-empty-array<int, Money>  $parts
     */
    private function assertFits(Collection $items, int $credit, array $parts): void
    {
        $from = $items->get($credit);

        if (
            $from === null
            || $from->kind !== ItemKind::Credit
            || Money::sum($parts, $from->open->currency)->exceeds($from->open)
        ) {
            throw Refused::because(
                'over_allocated',
                'Somebody else has used this credit meanwhile. Here is how the account stands now.',
            );
        }

        foreach ($parts as $charge => $amount) {
            $item = $items->get($charge);

            $fits = $item?->kind === ItemKind::Charge && ! $amount->isNegative() && ! $amount->exceeds($item->open);

            if (! $fits) {
                throw Refused::because(
                    'not_open',
                    ($item->label ?? 'An item')
                        .' is not open for that much any more: somebody else has posted on it meanwhile. Here is how '
                        .'the account stands now.',
                );
            }
        }
    }

    /**
     * @param  array{int, int, int}  $between customer, credit, charge
     * @return array<string, scalar|null>
     */
    private function row(array $between, Money $amount, Setting $setting, string $day, ?Money $discount): array
    {
        return [
            ...array_combine(['customer_id', 'credit_id', 'charge_id'], $between),
            'amount' => $amount->minor,
            'business_date' => $day,
            'staff_id' => $setting->staffId,
            'reason' => $setting->reason,
            'takes_back_id' => null,
            'act' => $setting->act,
            'discount' => $discount->minor ?? 0,
        ];
    }

    /**
     * Writes allocations, and what is open of both their sides.
     *
     * @param  list<array<string, scalar|null>>  $rows
     */
    private function record(array $rows): void
    {
        $settled = [];
        $days = [];

        foreach ($rows as $row) {
            foreach ([(int) $row['credit_id'], (int) $row['charge_id']] as $document) {
                $settled[$document] = ($settled[$document] ?? 0) + (int) $row['amount'];
                $days[$document] = max($days[$document] ?? '', (string) $row['business_date']);
            }
        }

        [$rows, $ends] = AllocationChain::link($rows);

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('allocations')->insert($chunk);
        }

        ksort($settled);

        foreach (array_chunk($settled, self::ROWS_AT_ONCE, true) as $chunk) {
            $this->move($chunk, array_intersect_key($days, $chunk));
        }

        AllocationChain::keepEnds($ends);
    }

    /**
     * @param  array<int, int>  $settled minor units by document: so much less of it is open
     * @param  array<int, string>  $days the last day something was set against each
     */
    private function move(array $settled, array $days): void
    {
        $amounts = implode(
            ' ',
            array_map(
                static fn (int $document, int $amount): string => "WHEN {$document} THEN {$amount}",
                array_keys($settled),
                $settled,
            ),
        );
        $moved = implode(
            ' ',
            array_map(static fn (int $document): string => "WHEN {$document} THEN ?", array_keys($settled)),
        );
        DB::update(
            "UPDATE open_items SET `open` = `open` - CASE document_id {$amounts} END, moved_on = GREATEST(moved_on, "
                ."CASE document_id {$moved} END) WHERE document_id IN ("
                .implode(', ', array_keys($settled))
                .')',
            array_map(static fn (int $document): string => $days[$document], array_keys($settled)),
        );
    }
}
