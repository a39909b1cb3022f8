<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Returns\ReturnReason;
use Elmstone\Support\Casts\QuantityCast;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that comes back on an open slip: of a line it was sold on, or without one.
 *
 * @property int $id
 * @property int $slip_id
 * @property int $position
 * @property int|null $origin_document_id null: without an original
 * @property int|null $origin_position
 * @property int|null $item_id null: a one-off line
 * @property string $code
 * @property string $description
 * @property int|null $department_id
 * @property Quantity $quantity
 * @property string $unit
 * @property UnitPrice $unit_price the original's, for information; without an original: what it comes back at
 * @property int $price_per
 * @property PriceRule $price_rule
 * @property UnitPrice $list_price
 * @property string $tax_class
 * @property UnitPrice|null $cost per unit of price_per, where there is no original
 * @property ReturnReason $reason
 * @property GoodsTo $goods_to
 * @property string $note
 * @property list<string>|null $serials
 * @property bool $fee_waived
 * @property bool $receipt_shown by number, card or customer; else it was looked up by what it is
 * @property-read Item|null $item
 */
final class ReturnOnSlip extends Record
{
    protected $table = 'slip_returns';

    protected $casts = [
        'quantity' => QuantityCast::class,
        'unit_price' => UnitPriceCast::class,
        'list_price' => UnitPriceCast::class,
        'cost' => UnitPriceCast::class,
        'reason' => ReturnReason::class,
        'goods_to' => GoodsTo::class,
        'price_rule' => PriceRule::class,
        'price_per' => 'int',
        'serials' => 'array',
        'fee_waived' => 'bool',
        'receipt_shown' => 'bool',
    ];

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    public function origin(): ?Origin
    {
        return $this->origin_document_id === null || $this->origin_position === null
            ? null
            : new Origin($this->origin_document_id, $this->origin_position);
    }

    public function isBlind(): bool
    {
        return $this->origin_document_id === null;
    }

    public function toValue(): SlipLine
    {
        return SlipLine::of(
            (string) $this->id,
            Direction::Back,
            $this->quantity,
            $this->unit_price,
            $this->price_per,
            $this->tax_class,
            null,
            false,
        );
    }
}
