<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** For whom what is bought is meant. Under the lock of the purchase, or of the agreement it is for. */
final class Links
{
    public function add(int $purchase, int $position, int $agreement, int $line, BigDecimal $quantity): void
    {
        DB::statement(
            'INSERT INTO purchase_links (purchase_id, position, agreement_id, line, quantity) VALUES (?, ?, ?, ?, ?) '
                .'ON DUPLICATE KEY UPDATE quantity = quantity + VALUES(quantity)',
            [$purchase, $position, $agreement, $line, (string) $quantity],
        );
    }

    /** So much less of it is still to come for them. */
    public function less(int $purchase, int $position, int $agreement, int $line, BigDecimal $quantity): void
    {
        $row = DB::table('purchase_links')->where([
            'purchase_id' => $purchase,
            'position' => $position,
            'agreement_id' => $agreement,
            'line' => $line,
        ]);
        $left = BigDecimal::of((string) ($row->value('quantity') ?? '0'))->minus($quantity);
        $left->isPositive() ? $row->update(['quantity' => (string) $left]) : $row->delete();
    }

    /**
     * Nothing is bought for a line of an agreement any more, or only so much; what was bought last is given up first.
     *
     * @return BigDecimal what comes now for nobody
     */
    public function keep(int $agreement, int $line, BigDecimal $atMost): BigDecimal
    {
        $given = BigDecimal::zero();

        foreach (
            DB::table('purchase_links')
                ->where('agreement_id', $agreement)
                ->where('line', $line)
                ->orderBy('purchase_id')
                ->orderBy('position')
                ->get() as $link
        ) {
            $quantity = BigDecimal::of((string) $link->quantity);
            $kept = $atMost->isLessThan($quantity) ? $atMost : $quantity;
            $atMost = $atMost->minus($kept);
            $over = $quantity->minus($kept);
            $over->isZero()
                || $this->less((int) $link->purchase_id, (int) $link->position, $agreement, $line, $over);
            $given = $given->plus($over);
        }

        return $given;
    }

    /**
     * @return array<int, BigDecimal> what is on order for an agreement, by line
     */
    public static function of(int $agreement): array
    {
        return self::ofAll([$agreement])[$agreement] ?? [];
    }

    /**
     * @param  array<int>  $agreements
     * @return array<int, array<int, BigDecimal>> by agreement and line
     */
    public static function ofAll(array $agreements): array
    {
        $found = [];

        foreach (
            $agreements === [] ? [] : DB::table('purchase_links')
                ->whereIn('agreement_id', $agreements)
                ->groupBy('agreement_id', 'line')
                ->get(['agreement_id', 'line', DB::raw('SUM(quantity) AS quantity')]) as $row
        ) {
            $found[(int) $row->agreement_id][(int) $row->line] = BigDecimal::of((string) $row->quantity)
                ->stripTrailingZeros();
        }

        return $found;
    }

    /**
     * SQL: what of a quantity is not bought for a line of an agreement, as a subquery over the columns named.
     */
    public static function beyond(string $quantity, string $agreement, string $line): Builder
    {
        return DB::table('purchase_links as k')
            ->whereColumn('k.agreement_id', $agreement)
            ->whereColumn('k.line', $line)
            ->selectRaw("{$quantity} - COALESCE(SUM(k.quantity), 0)");
    }

    /** @return list<int> agreements that something of a purchase is meant for */
    public static function agreementsOf(int $purchase): array
    {
        return array_values(
            DB::table('purchase_links')
                ->where('purchase_id', $purchase)
                ->orderBy('agreement_id')
                ->distinct()
                ->pluck('agreement_id')
                ->map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0)
                ->all(),
        );
    }

    /**
     * @return array<int, list<Wanted>> by position of a purchase, oldest first
     */
    public static function onLines(int $purchase): array
    {
        $found = [];

        foreach (
            DB::table('purchase_links as k')
                ->join('purchase_lines as l', static fn ($join) => $join
                    ->on('l.purchase_id', '=', 'k.purchase_id')
                    ->on('l.position', '=', 'k.position'))
                ->where('k.purchase_id', $purchase)
                ->orderBy('k.agreement_id')
                ->orderBy('k.line')
                ->get(['k.position', 'k.agreement_id', 'k.line', 'k.quantity', 'l.item_id']) as $row
        ) {
            $found[(int) $row->position][] = new Wanted(
                (int) $row->agreement_id,
                (int) $row->line,
                (int) $row->item_id,
                BigDecimal::of((string) $row->quantity),
            );
        }

        return $found;
    }

    /** @return list<object> where its goods come from: label, state, expected_on, line, quantity, supplier */
    public static function purchasesFor(int $agreement): array
    {
        return array_values(
            DB::table('purchase_links as k')
                ->join('purchases as p', 'p.id', '=', 'k.purchase_id')
                ->join('suppliers as s', 's.id', '=', 'p.supplier_id')
                ->where('k.agreement_id', $agreement)
                ->orderBy('p.id')
                ->get(['p.label', 'p.state', 'p.expected_on', 'k.line', 'k.quantity', 's.name as supplier'])
                ->all(),
        );
    }
}
