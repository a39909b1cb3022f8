<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * So much of an item that is bought, and what of it is here.
 *
 * @property int $purchase_id
 * @property int $position
 * @property int $item_id
 * @property string $their_code
 * @property string $quantity ordered; nothing: it came without being ordered
 * @property UnitPrice $cost expected, per unit of price_per
 * @property int $price_per
 * @property string $received
 * @property string $cancelled will not come
 * @property CarbonImmutable|null $expected_on where it is another day than the rest
 * @property-read Item $item
 */
final class PurchaseLine extends Record
{
    protected $table = 'purchase_lines';

    public $incrementing = false;

    protected $casts = ['cost' => UnitPriceCast::class, 'price_per' => 'int', 'expected_on' => 'immutable_date'];

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    /** What is still to come; nothing where more came than was ordered. */
    public function toCome(): BigDecimal
    {
        $open = BigDecimal::of($this->quantity)->minus($this->received)->minus($this->cancelled);

        return $open->isNegative() ? BigDecimal::zero() : $open->stripTrailingZeros();
    }

    public function worth(BigDecimal $quantity, Currency $currency): Money
    {
        return Money::round(
            $this->cost->value->multipliedBy($quantity)->toBigRational()->dividedBy($this->price_per),
            $currency,
        );
    }
}
