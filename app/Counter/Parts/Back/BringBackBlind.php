<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Books\GoodsTo;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Returns\Returnables;
use Elmstone\Returns\ReturnReason;
use Elmstone\Shop\House;

/** Puts on the slip what comes back without a receipt, or is in no list. Nothing is posted by it. */
final class BringBackBlind
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly Returnables $returnables,
        private readonly ReturnRows $rows,
    ) {
    }

    /** An item without a receipt, at the least it sold for of late. */
    public function item(
        string $slipKey,
        Act $act,
        Item $item,
        Quantity $quantity,
        ReturnReason $reason,
        ?GoodsTo $goodsTo,
    ): Slip {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use (
            $item,
            $quantity,
            $reason,
            $goodsTo,
        ): void {
            $lowest = $this->returnables->lowest($item->id, $slip->day());
            $item->assertSoldIn($quantity);
            $this->rows->put($slip, [
                ...$item->onLine(),
                'quantity' => $quantity->toString(),
                'unit_price' => $lowest ?? $item->list_price,
                'price_rule' => PriceRule::ListPrice,
                'list_price' => $item->list_price,
                'reason' => $reason,
                'goods_to' => $goodsTo ?? $reason->goodsTo(),
                'note' => $lowest === null
                        ? 'no receipt; list price'
                        : "no receipt; lowest price in {$this->house->shop()->blind_days} days",
            ]);
            $this->rows->changed($slip);
        });
    }

    /** What is in no list. */
    public function oneOff(
        string $slipKey,
        Act $act,
        string $description,
        Quantity $quantity,
        UnitPrice $price,
        int $departmentId,
        string $taxClass,
        ReturnReason $reason,
    ): Slip {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use (
            $description, $quantity, $price, $departmentId, $taxClass, $reason,
        ): void {
            $this->rows->put($slip, [
                'code' => 'one-off',
                'description' => $description,
                'department_id' => $departmentId,
                'quantity' => $quantity->toString(),
                'unit' => 'each',
                'unit_price' => $price->toString(),
                'price_per' => 1,
                'price_rule' => PriceRule::Typed,
                'list_price' => $price->toString(),
                'tax_class' => $taxClass,
                'reason' => $reason,
                'goods_to' => GoodsTo::WrittenOff,
                'note' => 'no receipt',
            ]);
            $this->rows->changed($slip);
        });
    }
}
