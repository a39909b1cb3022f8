<?php

declare(strict_types=1);

namespace Elmstone\Orders\Waiting;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\AgreedLines;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemDraft;
use Elmstone\Catalogue\SaveItem;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Orders\Picking\Pick;
use Elmstone\Orders\Supply\SupplyInOffice;
use Elmstone\Purchasing\Suppliers\SaveSupplier;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * Goods the shop does not keep, which an order has by their description only: they get a number, a supplier and what
 * they are expected to cost. From then on they wait, are bought, come in and are set aside like all others.
 */
final readonly class BuySpecial
{
    public function __construct(
        private OrderLedger $ledger,
        private AgreedLines $lines,
        private SaveItem $items,
        private SaveSupplier $suppliers,
    ) {
    }

    /** @throws Refused changed_elsewhere, not_open, has_number, nothing_left, supplier_gone, taken */
    public function handle(
        int $order,
        int $version,
        int $position,
        Supplier $supplier,
        UnitPrice $cost,
        string $theirCode,
        Till $till,
        Staff $by,
    ): Item {
        $supplier->active
            || throw Refused::because('supplier_gone', "Nothing is bought of {$supplier->name} any more.");

        return DB::transaction(function () use (
            $order, $version, $position, $supplier, $cost, $theirCode, $till, $by,
        ): Item {
            $locked = $this->ledger->lock($order)->load(['progress', 'allLines.item']);
            $line = $this->sound($locked, $version, $position);
            $item = $this->items->handle(null, self::draft($locked, $line, $cost), $by, $till);
            $this->suppliers->item($supplier, $item, $cost, $theirCode, '1');
            $this->number($locked, $position, $item);
            $locked->forceFill(['version' => $locked->version + 1])->save();
            $this->ledger->record(
                $locked,
                $by,
                "“{$line->description}” is {$item->code} now, to be bought of {$supplier->name}",
                $locked->total,
            );

            return $item;
        }, 3);
    }

    private function sound(Order $order, int $version, int $position): AgreedLine
    {
        SupplyInOffice::assertSeen($order, $version);
        Pick::assertNothingTaken($order);
        $line = $order->line($position);
        match (true) {
            ! $order->isOpen() => throw Refused::because(
                'not_open',
                "{$order->label} is {$order->state->value} already.",
            ),
            $line === null || $line->isFee() || $line->item_id !== null => throw Refused::because(
                'has_number',
                'These goods have a number: they stand under “To buy” where they wait.',
            ),
            $order->at($position)?->left()->isPositive() !== true => throw Refused::because(
                'nothing_left',
                "Nothing of “{$line->description}” is still to be supplied.",
            ),
            default => null,
        };

        return $line;
    }

    private static function draft(Order $order, AgreedLine $line, UnitPrice $cost): ItemDraft
    {
        return new ItemDraft([
            'code' => sprintf('SO%06d-%d', $order->id, $line->position),
            'barcode' => null,
            'description' => $line->description,
            'department_id' => $line->department_id,
            'unit' => $line->unit,
            'price_per' => $line->price_per,
            'list_price' => $line->unit_price->toString(),
            'floor_price' => null,
            'cost' => $cost->toString(),
            'tax_class' => $line->tax_class,
            'may_discount' => $line->may_discount,
            'active' => true,
            'divisible' => ! $line->quantity->isWhole(),
        ], [], []);
    }

    /** The line as it is from now on, under the next revision. */
    private function number(Order $order, int $position, Item $item): void
    {
        $lines = [];

        foreach ($order->lines() as $line) {
            $next = (new AgreedLine)->setRawAttributes($line->getAttributes());
            $line->position === $position && $next->forceFill([
                'item_id' => $item->id, 'code' => $item->code, 'cost' => $item->cost,
            ]);
            $lines[] = $next;
        }

        $order->forceFill(['revision' => $order->revision + 1]);
        $this->lines->put($order, $lines);
        $this->ledger->line($order, $position, ['item_id' => $item->id]);
    }
}
