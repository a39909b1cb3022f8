<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Books\LineValue;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Orders\OrderWay;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Casts\QuantityCast;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One line of an open slip. It keeps the price it got, whatever the price list says later.
 *
 * @property int $id
 * @property int $slip_id
 * @property int $position
 * @property int|null $item_id null: a one-off line
 * @property string $code
 * @property string $description
 * @property int|null $department_id null: a fee
 * @property Quantity $quantity
 * @property string $unit
 * @property UnitPrice $unit_price
 * @property int $price_per
 * @property PriceRule $price_rule
 * @property string $price_source the promotion's name, say
 * @property UnitPrice $list_price
 * @property Percentage|null $discount_percent
 * @property Money|null $discount_amount
 * @property bool $standing_discount the discount is the customer's own
 * @property string $tax_class
 * @property bool $may_discount
 * @property UnitPrice|null $floor_price
 * @property UnitPrice|null $cost per unit of price_per, when it was put on the slip
 * @property string $note
 * @property list<string>|null $serials of the pieces
 * @property OrderWay|null $way of an order: how it reaches the customer; null: as all of it
 * @property int|null $from_id of an order: where it leaves
 * @property string|null $aside of an order: what is set aside now; null: what there is
 * @property int|null $sharing_id who sold it; null: as all of the slip
 * @property int|null $owner_id of a thing of somebody's that is in no list
 * @property string|null $owner_percent
 * @property-read Item|null $item
 */
final class LineOnSlip extends Record
{
    use LineValue;

    /** Who sold it, in words; empty: as all of the slip. */
    public string $soldBy = '';

    /** The same as it would be typed. */
    public string $soldByText = '';

    protected $table = 'slip_lines';

    protected $casts = [
        'discount_amount' => MoneyCast::class,
        'quantity' => QuantityCast::class,
        'unit_price' => UnitPriceCast::class,
        'list_price' => UnitPriceCast::class,
        'floor_price' => UnitPriceCast::class,
        'cost' => UnitPriceCast::class,
        'discount_percent' => PercentageCast::class,
        'price_rule' => PriceRule::class,
        'may_discount' => 'bool',
        'standing_discount' => 'bool',
        'price_per' => 'int',
        'serials' => 'array',
        'way' => OrderWay::class,
    ];

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    public function toValue(Currency $currency): SlipLine
    {
        return $this->line((string) $this->id, Direction::Out);
    }

    /** Whose it is until it is sold; of a one-off line as it was typed. Null: the house's. */
    public function consigned(): ?Consigned
    {
        return ($this->relationLoaded('item') ? $this->item?->consigned() : null)
            ?? ($this->owner_id === null || $this->owner_percent === null
                ? null
                : new Consigned($this->owner_id, OwnerShare::percent($this->owner_percent)));
    }

    /** What a unit of its price costs the house now; of a one-off line as it was typed. */
    public function costNow(): ?UnitPrice
    {
        return ($this->relationLoaded('item') ? $this->item?->cost : null) ?? $this->cost;
    }

    /** Whether the list price has changed since the line was put on the slip. */
    public function listPriceMoved(): bool
    {
        return $this->item !== null && ! $this->list_price->equals($this->item->list_price);
    }

    /** Whether it takes what is set aside for others, by what the page knows; posting looks again. */
    public function takesCommitted(?Stock $stock): bool
    {
        return $stock !== null
            && $stock->isCommitted()
            && $stock->available()->isLessThan($this->quantity->value);
    }

    public function isOffSale(): bool
    {
        return $this->item !== null && ! $this->item->active;
    }

    /** Whether it is in no list; a fee the house adds is none. */
    public function isOneOff(): bool
    {
        return $this->item_id === null && $this->department_id !== null;
    }

    /** Whether nothing was changed by hand, so that the same item scanned again just adds to it. */
    public function isUntouched(): bool
    {
        return $this->price_rule !== PriceRule::Typed
            && ($this->standing_discount || $this->takesNoDiscountYet())
            && $this->note === ''
            && $this->sharing_id === null;
    }

    public function takesNoDiscountYet(): bool
    {
        return $this->discount_percent === null && $this->discount_amount === null;
    }
}
