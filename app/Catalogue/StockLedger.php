<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * The only place that writes stock. Rows are always taken in the order of item and location, so that two tills never wait for
 * each other in a circle; what is taken is recorded in the same transaction.
 */
final class StockLedger
{
    private const ROWS_AT_ONCE = 1000;

    /**
     * Changes what is on hand, and so locks those rows until the transaction ends.
     *
     * @param  list<StockMove>  $moves
     */
    public function take(array $moves): void
    {
        $onHand = [];

        foreach ($moves as $move) {
            $place = sprintf('%012d-%012d', $move->itemId, $move->locationId);
            $onHand[$place] = [$move, ($onHand[$place][1] ?? BigDecimal::zero())->plus($move->quantity)];
        }

        ksort($onHand);
        $rows = array_map(static fn (array $row): array => [
            'item_id' => $row[0]->itemId,
            'location_id' => $row[0]->locationId,
            'on_hand' => (string) $row[1],
        ], array_values($onHand));

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('stock')->upsert($chunk, ['item_id', 'location_id'], ['on_hand' => DB::raw('on_hand + VALUES(on_hand)')]);
        }
    }

    /**
     * Puts the movements down.
     *
     * @param  list<array{StockMove, CarbonImmutable, int|null}>  $moves each with its business date and document
     */
    public function record(string $why, array $moves): void
    {
        $rows = array_map(static fn (array $row): array => [
            'item_id' => $row[0]->itemId,
            'location_id' => $row[0]->locationId,
            'quantity' => (string) $row[0]->quantity,
            'unit_cost' => $row[0]->unitCost->toString(),
            'why' => $why,
            'document_id' => $row[2],
            'business_date' => $row[1]->format('Y-m-d'),
        ], $moves);

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('stock_movements')->insert($chunk);
        }
    }
}
