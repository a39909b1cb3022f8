<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $transfer_id
 * @property int $position
 * @property int $item_id
 * @property string $quantity sent
 * @property Money $amount what they cost
 * @property string $arrived
 * @property string $missing will not come
 * @property-read Item $item
 */
final class TransferLine extends Record
{
    protected $table = 'transfer_lines';

    public $incrementing = false;

    protected $casts = ['amount' => MoneyCast::class];

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    /** What is neither here nor known to be missing. */
    public function toCome(): BigDecimal
    {
        return BigDecimal::of($this->quantity)->minus($this->ended())->stripTrailingZeros();
    }

    /** What the goods on their way cost. */
    public function onItsWay(): Money
    {
        return $this->amount->minus($this->upTo($this->ended()));
    }

    /**
     * What so many more of them cost: as with supplies of an order, any number of parts comes to the whole.
     *
     * @param  BigDecimal  $before what of this line was ended just before
     */
    public function worth(BigDecimal $quantity, ?BigDecimal $before = null): Money
    {
        $from = $this->ended()->plus($before ?? BigDecimal::zero());

        return $this->upTo($from->plus($quantity))->minus($this->upTo($from));
    }

    private function ended(): BigDecimal
    {
        return BigDecimal::of($this->arrived)->plus($this->missing);
    }

    private function upTo(BigDecimal $quantity): Money
    {
        return Money::round(
            $this->amount->major()->toBigRational()->multipliedBy($quantity)->dividedBy($this->quantity),
            $this->amount->currency,
        );
    }
}
