<?php

declare(strict_types=1);

namespace Elmstone\Books;

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

/**
 * @property int $document_id
 * @property int $position
 * @property string $direction
 * @property int|null $item_id
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
 * @property Money $gross
 * @property Money $line_discount
 * @property Money $coupon_discount
 * @property Money $slip_discount
 * @property Money $net
 * @property Money $tax_total
 * @property Money $total
 * @property Money $cost
 * @property string $note
 * @property int|null $approval_id
 * @property list<string>|null $serials of the pieces
 * @property int|null $origin_document_id of what comes back: the document it was sold on
 * @property int|null $origin_position
 * @property GoodsTo|null $goods_to
 * @property string|null $reason
 */
final class DocumentLine extends Record
{
    protected $table = 'document_lines';

    use LineValue;

    public $incrementing = false;

    protected $casts = [
        'discount_amount' => MoneyCast::class,
        'gross' => MoneyCast::class,
        'line_discount' => MoneyCast::class,
        'coupon_discount' => MoneyCast::class,
        'slip_discount' => MoneyCast::class,
        'net' => MoneyCast::class,
        'tax_total' => MoneyCast::class,
        'total' => MoneyCast::class,
        'cost' => MoneyCast::class,
        'quantity' => QuantityCast::class,
        'unit_price' => UnitPriceCast::class,
        'list_price' => UnitPriceCast::class,
        'discount_percent' => PercentageCast::class,
        'price_rule' => PriceRule::class,
        'may_discount' => 'bool',
        'goods_to' => GoodsTo::class,
        'serials' => 'array',
    ];

    /** The line it was sold on, where it comes back from one. */
    public function origin(): ?Origin
    {
        return $this->origin_document_id === null || $this->origin_position === null
            ? null
            : new Origin($this->origin_document_id, $this->origin_position);
    }

    /** All that came off its gross. */
    public function off(): Money
    {
        return $this->line_discount->plus($this->coupon_discount)->plus($this->slip_discount);
    }

    public function toValue(): SlipLine
    {
        return $this->line((string) $this->position, Direction::from($this->direction));
    }
}
