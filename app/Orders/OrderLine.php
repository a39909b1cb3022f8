<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * How far a line of an order has come. Changed through OrderLedger only.
 *
 * @property int $agreement_id
 * @property int $position
 * @property int|null $item_id null: a charge, or goods without a number
 * @property int $location_id where the goods leave
 * @property string $ordered
 * @property string $supplied
 * @property string $cancelled
 * @property string $aside set aside for it
 * @property bool $brought by a lorry of the shop
 * @property string $missing bought for it, or waiting
 * @property string $waits where it was asked for: what of that is not bought
 * @property Money $gross of what was supplied
 * @property Money $line_discount
 * @property Money $slip_discount
 * @property-read Order $order
 */
final class OrderLine extends Record
{
    protected $table = 'order_lines';

    public $incrementing = false;

    protected $casts = [
        'brought' => 'bool',
        'gross' => MoneyCast::class,
        'line_discount' => MoneyCast::class,
        'slip_discount' => MoneyCast::class,
    ];

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class, 'agreement_id');
    }

    /** What is still to be supplied. */
    public function left(): BigDecimal
    {
        return BigDecimal::of($this->ordered)->minus($this->supplied)->minus($this->cancelled)->stripTrailingZeros();
    }

    /** What it will have come to when all that is not cancelled is supplied. */
    public function kept(): BigDecimal
    {
        return BigDecimal::of($this->ordered)->minus($this->cancelled)->stripTrailingZeros();
    }

    public function isAside(): BigDecimal
    {
        return BigDecimal::of($this->aside)->stripTrailingZeros();
    }

    /** What of it could leave: what is set aside, or, of goods without a number, all that is left. */
    public function mayLeave(): BigDecimal
    {
        return $this->item_id === null ? $this->left() : $this->isAside();
    }

    /** What was supplied of it, with its money. */
    public function done(): LineFigures
    {
        return new LineFigures(
            BigDecimal::of($this->supplied)->stripTrailingZeros(),
            $this->gross,
            $this->line_discount,
            $this->slip_discount,
        );
    }
}
