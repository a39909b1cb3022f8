<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Elmstone\Books\Proof\Proof;
use Elmstone\Core\Proof\Link;
use Illuminate\Support\Facades\DB;

/**
 * What was set against what is chained as documents are: each row follows on the one before it of the same credit, and
 * the credit's item keeps the end.
 */
final class AllocationChain
{
    private const AT_ONCE = 2000;

    /**
     * @param  list<array<string, scalar|null>>  $rows
     * @return array{list<array<string, scalar|null>>, array<int, string>} with their digests, and the last of each
     *     credit
     */
    public static function link(array $rows): array
    {
        $credits = array_values(array_unique(array_map(static fn (array $row): int => (int) $row['credit_id'], $rows)));
        $ends = array_map(
            static fn (mixed $end): string => is_string($end) ? $end : Link::NONE,
            DB::table('open_items')->whereIn('document_id', $credits)->pluck('set_digest', 'document_id')->all(),
        );
        $linked = [];

        foreach ($rows as $row) {
            $credit = (int) $row['credit_id'];
            $ends[$credit] = Link::of(self::says($row), $ends[$credit]);
            $linked[] = [...$row, 'digest' => $ends[$credit]];
        }

        return [$linked, $ends];
    }

    /** @param  array<int, string>  $ends by credit */
    public static function keepEnds(array $ends): void
    {
        foreach ($ends as $credit => $digest) {
            DB::table('open_items')
                ->where('document_id', $credit)
                ->update(['set_digest' => $digest]);
        }
    }

    public static function prove(Proof $proof): void
    {
        $ends = [];

        foreach (DB::table('allocations')->orderBy('id')->lazyById(self::AT_ONCE) as $row) {
            $credit = (int) $row->credit_id;
            $ends[$credit] = Link::of(self::says((array) $row), $ends[$credit] ?? Link::NONE);

            if ($ends[$credit] !== $row->digest) {
                $proof->fault("allocation {$row->id}: it is not what was set");
                $ends[$credit] = (string) $row->digest;
            }
        }

        foreach (
            DB::table('open_items')
                ->where(
                    static fn ($either) => $either
                        ->whereNotNull('set_digest')
                        ->orWhereIn('document_id', array_keys($ends)),
                )
                ->get(['document_id', 'label', 'set_digest']) as $item
        ) {
            ($ends[(int) $item->document_id] ?? null) === $item->set_digest
                || $proof->fault("{$item->label}: what it was set against is not all there");
        }
    }

    /**
     * @param  array<mixed>  $row
     * @return array<string, int|string|null>
     */
    private static function says(array $row): array
    {
        $whole = static fn (string $column): int => is_numeric($row[$column] ?? null) ? (int) $row[$column] : 0;
        $text = static fn (string $column): string => is_string($row[$column] ?? null) ? $row[$column] : '';

        return [
            'credit_id' => $whole('credit_id'),
            'charge_id' => $whole('charge_id'),
            'amount' => $whole('amount'),
            'discount' => $whole('discount'),
            'business_date' => $text('business_date'),
            'staff_id' => $whole('staff_id'),
            'reason' => $text('reason'),
            'act' => $text('act'),
            'takes_back_id' => $row['takes_back_id'] === null ? null : $whole('takes_back_id'),
        ];
    }

    /** Chains what was set before there was a chain. */
    public static function chainAll(): void
    {
        $ends = [];

        foreach (DB::table('allocations')->orderBy('id')->lazyById(self::AT_ONCE) as $row) {
            $credit = (int) $row->credit_id;
            $ends[$credit] = Link::of(self::says((array) $row), $ends[$credit] ?? Link::NONE);
            DB::table('allocations')
                ->where('id', $row->id)
                ->update(['digest' => $ends[$credit]]);
        }

        self::keepEnds($ends);
    }
}
