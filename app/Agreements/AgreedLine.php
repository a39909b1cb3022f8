<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Carbon\CarbonImmutable;
use Elmstone\Books\LineColumns;
use Elmstone\Books\LineValue;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Casts\QuantityCast;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Goods, or the service fee, that are promised, at the price that was agreed. Lines of an earlier revision stay as they
 * were.
 *
 * @property int $agreement_id
 * @property int $revision
 * @property int $position
 * @property int|null $item_id null: a one-off line or a fee
 * @property string $code
 * @property string $description
 * @property int|null $department_id null: a fee
 * @property Quantity $quantity
 * @property string $unit
 * @property UnitPrice $unit_price
 * @property int $price_per
 * @property PriceRule $price_rule
 * @property UnitPrice $list_price
 * @property Percentage|null $discount_percent
 * @property Money|null $discount_amount
 * @property bool $may_discount
 * @property string $tax_class
 * @property UnitPrice|null $cost per unit of price_per
 * @property string $note
 * @property int|null $approval_id
 * @property list<string>|null $serials
 * @property string|null $way of an order: how the goods reach the customer
 * @property int|null $sharing_id who sold it; null: as all of it
 * @property int|null $from_id of an order: where they leave
 * @property CarbonImmutable|null $wanted_on of an order: where it is another day than the rest
 * @property-read Item|null $item
 */
final class AgreedLine extends Record
{
    use LineValue;

    protected $table = 'agreement_lines';

    public $incrementing = false;

    protected $casts = [
        'discount_amount' => MoneyCast::class,
        'quantity' => QuantityCast::class,
        'unit_price' => UnitPriceCast::class,
        'list_price' => UnitPriceCast::class,
        'cost' => UnitPriceCast::class,
        'discount_percent' => PercentageCast::class,
        'price_rule' => PriceRule::class,
        'may_discount' => 'bool',
        'price_per' => 'int',
        'serials' => 'array',
        'wanted_on' => 'immutable_date',
    ];

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    public function toValue(Currency $currency): SlipLine
    {
        return $this->line((string) $this->position, Direction::Out);
    }

    /** What the goods cost as of now; of a one-off line, as it was agreed. */
    public function costNow(Currency $currency): Money
    {
        $cost = $this->item->cost ?? $this->cost;

        return $cost === null
            ? Money::zero($currency)
            : $cost->worth($this->quantity, $this->price_per, $currency);
    }

    public function isFee(): bool
    {
        return $this->department_id === null;
    }

    public function isFreight(): bool
    {
        return $this->department_id === null && $this->code === LineColumns::FREIGHT;
    }
}
