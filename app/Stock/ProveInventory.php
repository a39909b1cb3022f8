<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * Proves that the inventory account holds what is on hand at its cost: the account is the sum of what each movement did
 * to it, document by document; and per item that sum is on hand × cost, but for what rounding leaves: half a cent a
 * movement and half a ten-thousandth a piece each time the average is worked out, since goods last came in.
 */
final class ProveInventory implements Topic
{
    /** After these, the books are on hand × cost to the cent. */
    private const EXACT = ['opening', 'delivery', 'transfer_in', 'revaluation'];

    public function __construct(private readonly House $house)
    {
    }

    public function inWords(): string
    {
        return 'Stock is what moved, and worth what inventory says';
    }

    public function page(): string
    {
        return 'items';
    }

    public function prove(Proof $proof): void
    {
        $this->documents($proof);
        $this->items($proof);
    }

    private function documents(Proof $proof): void
    {
        $wrong = DB::select(
            'SELECT d.label, COALESCE(j.amount, 0) AS journal, COALESCE(m.value, 0) AS moved
            FROM documents d
            LEFT JOIN (
                SELECT document_id, SUM(debit - credit) AS amount FROM journal_lines WHERE account = ?
                GROUP BY document_id
            ) j ON j.document_id = d.id
            LEFT JOIN (
                SELECT document_id, SUM(value) AS value FROM stock_movements GROUP BY document_id
            ) m ON m.document_id = d.id
            WHERE COALESCE(j.amount, 0) <> COALESCE(m.value, 0) LIMIT 100',
            [Accounts::INVENTORY],
        );

        foreach ($wrong as $row) {
            $proof->same((string) $row->label, 'what its movements are worth', (int) $row->moved, (int) $row->journal);
        }

        foreach (
            DB::table('stock_movements')
                ->whereNull('document_id')
                ->groupBy('why')
                ->get(['why', DB::raw('COUNT(*) AS n')]) as $row
        ) {
            $proof->fault("{$row->n} movements of stock ({$row->why}) have no document");
        }

        $held = (int) DB::table('journal_lines')->where('account', Accounts::INVENTORY)->sum(DB::raw('debit - credit'));
        $proof->same(
            'inventory',
            'the sum of what the stock is worth by the books',
            (int) DB::table('stock')->sum('value'),
            $held,
        );
    }

    private function items(Proof $proof): void
    {
        $items = DB::table('items')
            ->get(['id', 'code', 'cost', 'price_per'])
            ->keyBy('id');
        $found = [];

        foreach (DB::table('stock_movements')->orderBy('item_id')->orderBy('id')->cursor() as $row) {
            [$onHand, $value, $leeway] = $found[(int) $row->item_id] ?? [BigDecimal::zero(), 0, BigRational::zero()];
            $onHand = $onHand->plus((string) $row->quantity);
            $leeway = in_array($row->why, self::EXACT, true)
                ? BigRational::zero()
                : $leeway->plus(self::leeway($row, $onHand, (int) $items->get($row->item_id)?->price_per));
            $found[(int) $row->item_id] = [$onHand, $value + (int) $row->value, $leeway];
        }

        foreach ($found as $id => [$onHand, $value, $leeway]) {
            $item = $items->get($id) ?? throw new LogicException("There is no item {$id}.");
            $byCost = Worth::byCost(
                $onHand,
                UnitPrice::of((string) BigDecimal::of((string) $item->cost)->stripTrailingZeros()),
                (int) $item->price_per,
                $this->house->currency(),
            )->minor;

            if (abs($byCost - $value) > $leeway->toScale(0, RoundingMode::UP)->toInt()) {
                $proof->fault("item {$item->code}: the books hold {$value} for it, but on hand × cost is {$byCost}");
            }
        }

        $proof->checked('items whose worth in the books is what is on hand at its cost', count($found));
    }

    private static function leeway(object $row, BigDecimal $onHand, int $pricePer): BigRational
    {
        $comesIn = BigDecimal::of((string) ($row->quantity ?? '0'))->isPositive();
        $average = $comesIn
            ? BigRational::of($onHand->abs())->dividedBy($pricePer)->multipliedBy('0.005')
            : BigRational::zero();

        return $average->plus('0.5');
    }
}
